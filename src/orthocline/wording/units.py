"""The units in which a golfer says and types figures."""

from dataclasses import dataclass

from orthocline.core.units import FOOT_M, INCH_M


@dataclass(frozen=True)
class Units:
    """Metres and centimetres for feet and inches; degrees for percent."""

    metric: bool = False
    degrees: bool = False

    @property
    def far(self) -> str:
        """Unit of lengths along a putt."""
        return "m" if self.metric else "ft"

    @property
    def near(self) -> str:
        """Unit of lengths near the hole."""
        return "cm" if self.metric else "in"

    @property
    def slope(self) -> str:
        """Unit of slopes, as it is typed."""
        return "deg" if self.degrees else "%"

    @property
    def ball_speed(self) -> str:
        """Unit of how fast a ball rolls."""
        return f"{self.far}/s"

    @property
    def far_m(self) -> float:
        """One unit of lengths along a putt in metres."""
        return 1.0 if self.metric else FOOT_M

    @property
    def near_m(self) -> float:
        """One unit of lengths near the hole in metres."""
        return 0.01 if self.metric else INCH_M


USUAL_UNITS = Units()
"""Feet and percent."""
