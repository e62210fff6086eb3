"""The ramp page's variables."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

from werkzeug.datastructures import MultiDict

from orthocline.core.speed import RampSpeed
from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.ramp import ramp_plan
from orthocline.drawing.speed.tape import Roll
from orthocline.formats.sheet import Noted
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import pacing_sd
from orthocline.services.errors import InvalidError
from orthocline.services.speed.measuring import level_reading, ramp_speed
from orthocline.web.ramp.forms import RampForm
from orthocline.web.ramp.request import RampRequest
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

    @cached_property
    def form(self) -> RampForm:
        """The fields of the page, with what is wrong beside each."""
        form = RampForm(MultiDict(self.request.sheet.fields), meta={"wording": self.request.wording})
        form.validate()
        return form

    @property
    def stands_out(self) -> dict[str, list[bool]]:
        """For each try of a direction, whether it stands out from those that count."""
        if self.speed is None:
            return {}
        ways = {"out": self.speed.out, "back": self.speed.back}
        flags = {name: iter(way.stands_out if way else ()) for name, way in ways.items()}
        return {
            name: [one.counts and next(flags[name], False) for one in rolls]
            for name, rolls in self.request.rolls.items()
        }


def view(viewer: Viewer, wanted: RampRequest) -> RampView:
    """Return the page of what is asked; refused in Competition."""
    if wanted.ramp is None:
        return RampView(wanted, wanted.errors)
    speed, errors = None, wanted.errors
    try:
        speed = measured(viewer, wanted) if wanted.has_rolls and not errors else None
    except InvalidError as error:
        errors = errors | {error.field: str(error)}
    wording, drawn = wanted.wording, {name: _drawn(rolls) for name, rolls in wanted.rolls.items()}
    return RampView(
        wanted,
        errors,
        speed,
        tuple(ramp_details(speed, wanted.ramp, wording, wanted.sheet.choices["level_with"])) if speed else (),
        tuple(ramp_notes(speed, wording, paced=wanted.paced)) if speed else (),
        ramp_plan(wanted.ramp, speed, drawn["out"], drawn["back"], wording),
        set_up_words(wanted.ramp, wording),
        hidden_words(wanted.simulated.green, speed, wording) if wanted.revealed and wanted.simulated else "",
    )


def _drawn(rolls: Sequence[Noted]) -> list[Roll]:
    """Return the rolls that can be read, to be drawn."""
    return [Roll(one.figure, one.left_out) for one in rolls if one.figure is not None]


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
    level = wanted.level_out
    return ramp_speed(
        viewer,
        wanted.ramp,
        out,
        back,
        level=level_reading(level, wanted.sheet.choices["level_with"]) if level is not None else None,
        length_share_sd=pacing_sd(wanted.wording) if wanted.paced else 0.0,
    )
