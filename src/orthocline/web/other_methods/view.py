"""The variables of measuring without a ramp."""

from dataclasses import dataclass
from datetime import datetime

from orthocline.core.estimate import Estimate
from orthocline.core.speed import ZeroScore
from orthocline.drawing.scene import Scene
from orthocline.drawing.speed.scales import speed_scale, zero_plan
from orthocline.services.account.measures import pacing_sd
from orthocline.services.account.mode import Mode
from orthocline.services.errors import InvalidError
from orthocline.services.speed.book import METHODS, DaySpeed, beside_the_book
from orthocline.services.speed.measuring import by_posting, by_stroke, by_timing, zero_putts
from orthocline.web.other_methods.forms import BALLS, KINDS, ROLLS, STROKES, TIMES, Asked
from orthocline.web.shared.trials import TryKind
from orthocline.wording.figures import Wording, tidy, when_words

MOST_BESIDE = 3
WAYS = {
    "posted": ("Posted number", "What the club has put up today: sure to a foot on its day."),
    "timed": (
        "Timed putt",
        "Roll a ball on level ground, measure how far, and time it from the strike to rest. 0.15 s of thumb"
        " is counted; three times are surer.",
    ),
    "stroke": (
        "My stroke",
        "Putt on level ground with strokes that you measure. Your calibration turns each roll into a speed.",
    ),
    "zero": (
        "Zero putts",
        "Putt four or five balls to one level distance. They train and check pace; they give no green speed,"
        " because nobody knows how fast they left.",
    ),
}


@dataclass(frozen=True)
class NoRampView:
    """Everything the page shows; `found` or `score` is None while there is nothing to say."""

    asked: Asked
    kinds: tuple[TryKind, ...]
    errors: dict[str, str]
    calibrated: bool
    found: Estimate | None = None
    score: ZeroScore | None = None
    picture: Scene | None = None
    title: str = ""
    details: str = ""


def view(asked: Asked, mode: Mode, rate: Estimate | None, day: DaySpeed | None, now: datetime) -> NoRampView:
    """Return the page of what is asked; refused in Competition.

    Parameters
    ----------
    day : DaySpeed or None
        What the book has already, shown beside it and together with it unless it is old.
    """
    kinds, calibrated = KINDS[asked.by], rate is not None
    blank = NoRampView(asked, kinds, asked.errors, calibrated)
    if asked.errors or _is_empty(asked):
        return blank
    try:
        if asked.by == "zero":
            return _scored(blank, mode)
        found = measured(asked, mode, rate)
    except InvalidError as error:
        return NoRampView(asked, kinds, {error.field: str(error)}, calibrated)
    return NoRampView(
        asked,
        kinds,
        {},
        calibrated,
        found,
        picture=speed_scale(_beside(asked, found, day, now)),
        details=_details(asked, rate),
    )


def measured(asked: Asked, mode: Mode, rate: Estimate | None) -> Estimate:
    """Return the green speed [ft] that is asked for.

    Raises
    ------
    InvalidError
        When something is missing or cannot be true.
    NotAllowedError
        In Competition.
    """
    form = asked.form
    if asked.errors:
        raise InvalidError("course", "Mend the marked figures first.")
    if asked.by == "posted":
        if form.posted.figure is None:
            raise InvalidError("posted", "Enter the posted number.")
        return by_posting(mode, form.posted.figure)
    share = pacing_sd(asked.wording) if asked.paced else 0.0
    if asked.by == "timed":
        if form.length.figure is None:
            raise InvalidError("length", "How far did it roll?")
        return by_timing(mode, form.length.figure, asked.figures(TIMES), share)
    if asked.by == "stroke":
        return by_stroke(mode, _pairs(asked), rate, share)
    raise InvalidError("course", "Zero putts give no green speed.")


def _beside(asked: Asked, found: Estimate, day: DaySpeed | None, now: datetime) -> list[tuple[str, Estimate]]:
    """Return the speed found, those of the book that still hold, and what they make together."""
    kept, together = beside_the_book(found, day, now, MOST_BESIDE)
    speeds = [(WAYS[asked.by][0], found)]
    for note, estimate in kept:
        then = f"{METHODS[note.method]} {when_words(note.measured_at, now)}".capitalize()
        speeds.append((then, estimate))
    return [*speeds, ("Together", together)] if together else speeds


def _pairs(asked: Asked) -> list[tuple[float, float]]:
    strokes, rolls = asked.figures(STROKES), asked.figures(ROLLS)
    if len(strokes) != len(rolls):
        raise InvalidError("rolls", "Each stroke needs its roll: as many of one as of the other.")
    return list(zip(strokes, rolls, strict=True))


def _is_empty(asked: Asked) -> bool:
    return not (asked.form.posted.data or asked.form.length.data or any(asked.tries.values()))


def _scored(blank: NoRampView, mode: Mode) -> NoRampView:
    asked, wording = blank.asked, blank.asked.wording
    score = zero_putts(mode, asked.form.target.figure or 0.0, asked.figures(BALLS))
    count = len(score.good)
    good = sum(score.good)
    title = "Every ball where it should be." if score.all_good else f"{good} of {count} where they should be."
    return NoRampView(
        asked,
        blank.kinds,
        {},
        blank.calibrated,
        score=score,
        picture=zero_plan(score, wording),
        title=title,
        details=_zero_details(score, wording),
    )


def _zero_details(score: ZeroScore, wording: Wording) -> str:
    way = "past" if score.mean_m >= 0.0 else "short"
    mean = f"On average {wording.short(score.mean_m)} {way}"
    if len(score.past_m) < 2:
        return f"{mean}. Putt three or four more to see how well they group."
    group = f"grouped within {wording.short(score.group_m)}, spread {wording.short(score.spread_m)}"
    return f"{mean}, {group}."


def _details(asked: Asked, rate: Estimate | None) -> str:
    if asked.by == "posted":
        return "Within 1.0 ft today, 1.5 ft from tomorrow on. A few rolls of a ramp are three times as sure."
    if asked.by == "timed":
        count = len(asked.figures(TIMES))
        more = "" if count > 2 else " Three times are surer."
        return f"From {count} {'time' if count == 1 else 'times'}, the slide counted; on level ground.{more}"
    assert rate is not None
    sure = tidy(100.0 * rate.within / rate.value, 0)
    return f"From {len(asked.figures(ROLLS))} putts on level ground; your calibration is good to {sure} %."
