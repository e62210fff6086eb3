"""A putt that lies on a charted green: where its hole is, which way it goes, and its ground."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.chart import FARTHEST_M, ChartPin, Known
from orthocline.core.ground import Plane, mean_gradient
from orthocline.core.roll import Point, Putt
from orthocline.core.units import wrap_rad
from orthocline.services.account.measures import own_senses
from orthocline.services.errors import DomainError
from orthocline.services.ground.charts import find_green, known_of
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.wording.ground.greens import parse_spot
from orthocline.wording.quantities import QuantityError

Place = tuple[float, float]
LONGEST_NUMBER: Final = 18
DECIMALS: Final = 7
"""Of places [m] and ways [deg] in an address."""
NOT_THERE: Final = "That green is not among yours, or nothing is read of it yet: see Greens."


@dataclass(frozen=True, eq=False)
class ChartedGround:
    """The ground of a green that is read on.

    Attributes
    ----------
    green_id : int
    known : Known
    pins : tuple of ChartPin
    """

    green_id: int
    known: Known
    pins: tuple[ChartPin, ...]


@dataclass(frozen=True, eq=False)
class Lie:
    """Where a putt lies on a green.

    Attributes
    ----------
    on : ChartedGround
        The green.
    hole_m : tuple of float
        Its hole [m].
    toward_rad : float
        The way from the ball to the hole, clockwise from up the map.
    """

    on: ChartedGround
    hole_m: Place
    toward_rad: float

    @property
    def fields(self) -> dict[str, str]:
        """The fields of an address that say it."""
        return lie_fields(self.on.green_id, self.hole_m, self.toward_rad)

    @property
    def bearing_rad(self) -> float:
        """The way from the ball to the hole, counter-clockwise from +x."""
        return 0.5 * math.pi - self.toward_rad

    def ball_m(self, length_m: float) -> Place:
        """Return where the ball lies so far from the hole [m]."""
        return (
            self.hole_m[0] - length_m * math.sin(self.toward_rad),
            self.hole_m[1] - length_m * math.cos(self.toward_rad),
        )

    def plane(self, length_m: float) -> Plane:
        """Return the plane that slopes as the ground does on the mean between ball and hole."""
        ball = self.ball_m(length_m)
        east, north = mean_gradient(self.on.known.survey, ball, self.hole_m)
        downhill = math.atan2(-north, -east) - self.bearing_rad
        return Plane(math.hypot(east, north), wrap_rad(downhill))

    def putt(self, putt: Putt) -> Putt:
        """Return a putt whose hole lies at +x as it lies on the map; raises PuttError if it is too steep."""
        turn = self.bearing_rad
        return replace(
            putt,
            ball=Point(*self.ball_m(putt.length_m)),
            hole=Point(*self.hole_m),
            surface=self.on.known.survey,
            grain=replace(putt.grain, toward_rad=wrap_rad(putt.grain.toward_rad + turn)),
            wind=replace(putt.wind, toward_rad=wrap_rad(putt.wind.toward_rad + turn)),
        )

    def turned(self, clockwise_rad: float) -> "Lie":
        """Return it with the ball moved clockwise round the hole."""
        return replace(self, toward_rad=wrap_rad(self.toward_rad + clockwise_rad))


def lie_fields(green_id: int, hole_m: Place, toward_rad: float) -> dict[str, str]:
    """Return the fields of an address that say where a putt lies on a green."""
    x, y = (round(one, DECIMALS) + 0.0 for one in hole_m)
    degrees = round(math.degrees(toward_rad) % 360.0, DECIMALS) % 360.0
    return {"on": str(green_id), "hole": f"{plain(x)} {plain(y)} m", "toward": plain(degrees)}


def plain(figure: float) -> str:
    """Return a figure without an exponent, and without noughts that say nothing."""
    return f"{figure:.{DECIMALS}f}".rstrip("0").rstrip(".")


Greens = Callable[[str], ChartedGround]
"""Returns the green of a number; raises QuantityError where there is none to read on."""


def own_greens(number: str) -> ChartedGround:
    """Return the green of that number of whoever asks, to read on.

    Raises
    ------
    QuantityError
        Where it is not theirs, or nothing is known of it.
    """
    if not number.isdecimal() or len(number) > LONGEST_NUMBER:
        raise QuantityError(NOT_THERE)
    try:
        chart = find_green(viewer(), session(), int(number)).chart
    except DomainError as error:
        raise QuantityError(NOT_THERE) from error
    known = known_of(viewer(), chart, own_senses(measures()))
    if known is None:
        raise QuantityError(NOT_THERE)
    return ChartedGround(int(number), known, chart.pins)


def pin_named(pins: Sequence[ChartPin], text: str) -> ChartPin | None:
    """Return the pin that goes by a typed name."""
    said = text.strip().lower()
    return next((pin for pin in pins if pin.name.lower() == said), None)


def hole_of(text: str, on: ChartedGround) -> Place:
    """Return where a hole lies [m]: ``-1.2 16.5 m``, the name of a pin, or a place as it is typed.

    Raises
    ------
    QuantityError
        For anything else.
    """
    pin = pin_named(on.pins, text)
    if pin:
        return pin.at_m
    figures = text.strip().lower().removesuffix("m").split()
    try:
        x, y = (float(one) for one in figures)
    except ValueError:
        x, y = parse_spot(text, on.known.outline, wording())
    if not (math.isfinite(x) and math.isfinite(y)) or max(abs(x), abs(y)) > FARTHEST_M:
        raise QuantityError(f"must lie within {FARTHEST_M:g} m of the front edge")
    return x, y
