"""The ramp page's variables."""

from collections.abc import Sequence
from dataclasses import dataclass

from orthocline.core.speed import RampSpeed
from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.ramp import ramp_plan
from orthocline.drawing.speed.tape import Roll
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import pacing_sd
from orthocline.services.errors import InvalidError
from orthocline.services.speed.measuring import level_reading, ramp_speed
from orthocline.web.ramp.request import RampForm, RampRequest
from orthocline.web.shared.trials import Trial, counted
from orthocline.wording.speed.ramp import hidden_words, ramp_details, ramp_notes, set_up_words


@dataclass(frozen=True)
class RampView:
    """Everything the ramp page shows.

    Attributes
    ----------
    speed : RampSpeed or None
        None while there is no roll, or something cannot be read.
    hidden : str
        What the simulated green really is, once that is asked for.
    """

    request: RampRequest
    errors: dict[str, str]
    speed: RampSpeed | None = None
    details: tuple[str, ...] = ()
    notes: tuple[str, ...] = ()
    plan: Scene | None = None
    set_up: str = ""
    hidden: str = ""

    @property
    def form(self) -> RampForm:
        """The figures as typed."""
        return self.request.form

    @property
    def trials(self) -> dict[str, tuple[Trial, ...]]:
        """The rolls of both directions, as typed."""
        return {"out": self.request.out, "back": self.request.back}

    @property
    def stands_out(self) -> dict[str, list[bool]]:
        """For each try of a direction, whether it stands out from those that count."""
        if self.speed is None:
            return {}
        ways = {"out": self.speed.out, "back": self.speed.back}
        flags = {name: iter(way.stands_out if way else ()) for name, way in ways.items()}
        return {
            name: [bool(counted([one])) and next(flags[name], False) for one in trials]
            for name, trials in self.trials.items()
        }


def view(viewer: Viewer, wanted: RampRequest) -> RampView:
    """Return the page of what is asked; refused in Competition."""
    if wanted.ramp is None:
        return RampView(wanted, wanted.errors)
    speed, errors = None, wanted.errors
    try:
        speed = measured(viewer, wanted) if wanted.readable and (wanted.out or wanted.back) else None
    except InvalidError as error:
        errors = errors | {error.field: str(error)}
    wording = wanted.wording
    return RampView(
        wanted,
        errors,
        speed,
        tuple(ramp_details(speed, wanted.ramp, wording, wanted.form.level_with.data)) if speed else (),
        tuple(ramp_notes(speed, wording, paced=wanted.paced)) if speed else (),
        ramp_plan(wanted.ramp, speed, _rolls(wanted.out), _rolls(wanted.back), wording),
        set_up_words(wanted.ramp, wording),
        hidden_words(wanted.simulated.green, speed, wording) if wanted.revealed and wanted.simulated else "",
    )


def _rolls(trials: Sequence[Trial]) -> list[Roll]:
    """Return the rolls that can be read, to be drawn."""
    return [Roll(one.figure, one.left_out) for one in trials if one.figure is not None]


def measured(viewer: Viewer, wanted: RampRequest) -> RampSpeed:
    """Return what the rolls of a readable request say.

    Raises
    ------
    InvalidError
        Without a roll, or where the level's reading cannot be true.
    NotAllowedError
        In Competition.
    """
    assert wanted.ramp is not None
    out, back = wanted.lengths
    level = wanted.form.level_out
    return ramp_speed(
        viewer,
        wanted.ramp,
        out,
        back,
        level=level_reading(level, wanted.form.level_with.data) if level is not None else None,
        length_share_sd=pacing_sd(wanted.wording) if wanted.paced else 0.0,
    )
