"""The variables of measuring without a ramp."""

from dataclasses import dataclass, replace
from datetime import datetime
from functools import cached_property

from werkzeug.datastructures import MultiDict

from orthocline.core.estimate import Estimate
from orthocline.core.speed import METHODS, Findings
from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.scales import speed_scale, tuning_plan
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import pacing_sd
from orthocline.services.errors import InvalidError, MissingError
from orthocline.services.speed.book import DaySpeed, beside_the_book
from orthocline.services.speed.measuring import speed_by, tuning_putts
from orthocline.web.other_methods.request import TUNING, MethodRequest, PlaceFields, form_of, kinds_of
from orthocline.web.shared.sheets import TrialKind
from orthocline.wording.speed.methods import METHOD_WORDS
from orthocline.wording.speed.tuning_putts import tuning_details, tuning_title

MOST_BESIDE = 3


@dataclass(frozen=True)
class MethodView:
    """Everything the page shows.

    Attributes
    ----------
    uncalibrated : bool
        Whether the method needs the golfer's stroke and does not have it.
    speed_ft : Estimate or None
        None while there is nothing to say, and for tuning putts.
    """

    request: MethodRequest
    errors: dict[str, str]
    uncalibrated: bool
    title: str
    details: str
    speed_ft: Estimate | None = None
    picture: Scene | None = None

    @cached_property
    def form(self) -> PlaceFields:
        """The fields of the figures that are asked for once."""
        return form_of(self.request.by, MultiDict(self.request.sheet.fields), self.request.wording)

    @property
    def kinds(self) -> dict[str, TrialKind]:
        """What is tried several times, by name."""
        return kinds_of(self.request.by)


def view(
    viewer: Viewer, wanted: MethodRequest, rate: Estimate | None, day: DaySpeed | None, now: datetime
) -> MethodView:
    """Return the page of what is asked; refused in Competition.

    Parameters
    ----------
    day : DaySpeed or None
        What the book has already, shown beside it and together with it unless it is old.
    """
    words = wanted.words
    uncalibrated = wanted.by != TUNING and METHODS[wanted.by].own_stroke and rate is None
    blank = MethodView(wanted, wanted.errors, uncalibrated, f"{words.title}.", words.how)
    if wanted.errors or wanted.is_empty:
        return blank
    try:
        return _scored(viewer, blank) if wanted.by == TUNING else _found(viewer, blank, rate, day, now)
    except MissingError as error:
        return replace(blank, details=f"{words.how} {error}")
    except InvalidError as error:
        return replace(blank, errors={error.field: str(error)})


def measured(viewer: Viewer, wanted: MethodRequest, rate: Estimate | None) -> Estimate:
    """Return the green speed [ft] that is asked for.

    Raises
    ------
    InvalidError
        When something is missing or cannot be true.
    NotAllowedError
        In Competition.
    """
    if wanted.errors:
        raise InvalidError("course", "Mend the marked figures first.")
    if wanted.by == TUNING:
        raise InvalidError("course", "Tuning putts give no green speed.")
    return speed_by(viewer, wanted.by, _findings(wanted, rate))


def _findings(wanted: MethodRequest, rate: Estimate | None) -> Findings:
    return Findings(wanted.measured, pacing_sd(wanted.wording) if wanted.paced else 0.0, rate)


def _found(
    viewer: Viewer, blank: MethodView, rate: Estimate | None, day: DaySpeed | None, now: datetime
) -> MethodView:
    wanted = blank.request
    speed_ft = measured(viewer, wanted, rate)
    return replace(
        blank,
        speed_ft=speed_ft,
        picture=speed_scale(_beside(wanted, speed_ft, day, now)),
        details=wanted.words.made_of(_findings(wanted, rate)),
    )


def _beside(
    wanted: MethodRequest, speed_ft: Estimate, day: DaySpeed | None, now: datetime
) -> list[tuple[str, Estimate]]:
    """Return the speed found, those of the book that still hold, and what they make together."""
    kept, together = beside_the_book(speed_ft, day, now, MOST_BESIDE)
    speeds, ago = [(wanted.words.title, speed_ft)], wanted.wording.calendar.ago
    for note, estimate in kept:
        then = f"{METHOD_WORDS[note.method].noun} {ago(note.measured_at, now)}".capitalize()
        speeds.append((then, estimate))
    return [*speeds, ("Together", together)] if together else speeds


def _scored(viewer: Viewer, blank: MethodView) -> MethodView:
    wanted = blank.request
    (target_m,), (zone_m,) = wanted.measured["target"], wanted.measured["zone"]
    score = tuning_putts(viewer, target_m, zone_m, wanted.measured["balls"])
    return replace(
        blank,
        picture=tuning_plan(score, wanted.wording),
        title=tuning_title(score),
        details=tuning_details(score, wanted.wording),
    )
