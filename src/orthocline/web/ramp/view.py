"""The ramp page's variables."""

from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.speed import RampSpeed
from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.ramp import ramp_plan
from orthocline.drawing.speed.tape import Roll
from orthocline.services.account.measures import pacing_sd
from orthocline.services.account.mode import Mode
from orthocline.services.errors import InvalidError
from orthocline.services.speed.measuring import level_reading, ramp_speed
from orthocline.web.ramp.forms import Asked, RampForm
from orthocline.web.shared.trials import Try, counted
from orthocline.wording.figures import Wording, speed_text, tidy
from orthocline.wording.speed.ramp import ramp_details, ramp_notes


@dataclass(frozen=True)
class RampView:
    """Everything the ramp page shows.

    Attributes
    ----------
    found : RampSpeed or None
        None while there is no roll, or something cannot be read.
    hidden : str
        What the simulated green really is, once that is asked for.
    """

    asked: Asked
    errors: dict[str, str]
    found: RampSpeed | None = None
    details: tuple[str, ...] = ()
    notes: tuple[str, ...] = ()
    plan: Scene | None = None
    set_up: str = ""
    hidden: str = ""

    @property
    def form(self) -> RampForm:
        """The figures as typed."""
        return self.asked.form

    @property
    def tries(self) -> dict[str, tuple[Try, ...]]:
        """The rolls of both directions, as typed."""
        return {"out": self.asked.out, "back": self.asked.back}

    @property
    def stands_out(self) -> dict[str, list[bool]]:
        """For each try of a direction, whether it stands out from those that count."""
        if self.found is None:
            return {}
        ways = {"out": self.found.out, "back": self.found.back}
        flags = {name: iter(way.stands_out if way else ()) for name, way in ways.items()}
        return {
            name: [bool(counted([one])) and next(flags[name], False) for one in tries]
            for name, tries in self.tries.items()
        }


def view(asked: Asked, mode: Mode) -> RampView:
    """Return the page of what is asked; refused in Competition."""
    if asked.ramp is None:
        return RampView(asked, asked.errors)
    found, errors = None, asked.errors
    try:
        found = measured(asked, mode) if asked.readable and (asked.out or asked.back) else None
    except InvalidError as error:
        errors = errors | {error.field: str(error)}
    wording = asked.wording
    return RampView(
        asked,
        errors,
        found,
        tuple(ramp_details(found, asked.ramp, wording)) if found else (),
        tuple(ramp_notes(found, wording, paced=asked.paced)) if found else (),
        ramp_plan(asked.ramp, found, _rolls(asked.out), _rolls(asked.back), wording),
        _set_up(asked, wording),
        _hidden(asked, found),
    )


def _rolls(tries: Sequence[Try]) -> list[Roll]:
    """Return the rolls that can be read, to be drawn."""
    return [Roll(one.figure, one.left_out) for one in tries if one.figure is not None]


def measured(asked: Asked, mode: Mode) -> RampSpeed:
    """Return what the rolls of a readable request say.

    Raises
    ------
    InvalidError
        Without a roll, or where the level's reading cannot be true.
    NotAllowedError
        In Competition.
    """
    assert asked.ramp is not None
    out, back = asked.lengths
    level = asked.form.level_out
    return ramp_speed(
        mode,
        asked.ramp,
        out,
        back,
        level=level_reading(level, averaged=asked.form.averaged.data) if level is not None else None,
        length_share_sd=pacing_sd(asked.wording) if asked.paced else 0.0,
    )


def _set_up(asked: Asked, wording: Wording) -> str:
    ramp = asked.ramp
    assert ramp is not None
    by = ramp.correction
    rolls = "its rolls are the standard ramp's" if abs(by - 1.0) < 0.005 else f"each roll counts ×{by:.2f}"
    return f"Lift the upper end {wording.short(ramp.lift_m)}; {rolls}."


def _hidden(asked: Asked, found: RampSpeed | None) -> str:
    """Return what the simulated green really is, and how near the rolls came."""
    simulated = asked.simulated
    if simulated is None or not asked.form.reveal.data:
        return ""
    green = simulated.green
    way = "up" if green.slope >= 0.0 else "down"
    grows = "out" if green.grain >= 0.0 else "back"
    slope = f"{asked.wording.slope(abs(green.slope))} {way} the way out"
    grain = f"grain {abs(green.grain):.2f} growing the way {grows}"
    said = f"Hidden were speed {speed_text(green.speed_ft)}, {slope} and {grain}."
    if found is None:
        return said
    off = found.speed_ft.value - green.speed_ft
    held = "within" if abs(off) <= found.speed_ft.within else "outside"
    return f"{said} Your speed is {tidy(abs(off), 2)} ft off: {held} what it said of itself."
