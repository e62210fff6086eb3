"""What the golfer must know of a read, each with its remedy, in the golfer's units."""

from collections.abc import Callable, Mapping

from orthocline.core.roll import Read, ReadWarning, grain_worth, softest_straight_in, steepest_holding_slope
from orthocline.wording.wording import USUAL_WORDING, Wording


def warning_words(read: Read, wording: Wording = USUAL_WORDING) -> tuple[str, ...]:
    """Return a sentence for each warning of a read, in their order."""
    return tuple(SENTENCES[warning](read, wording) for warning in read.warnings)


def note_words(read: Read, wording: Wording = USUAL_WORDING) -> tuple[str, ...]:
    """Return the warnings of a read, and what its grain is worth."""
    warnings = warning_words(read, wording)
    if not read.putt.grain.strength:
        return warnings
    worth = wording.slope(grain_worth(read.putt))
    return (*warnings, f"This grain is worth {worth} of slope, and is counted.")


def _at_hole(read: Read, wording: Wording) -> str:
    return wording.ball_speed(read.aim.speed_at_hole_mps, 2)


def _does_not_hold(read: Read, wording: Wording) -> str:
    most = wording.slope(steepest_holding_slope(read.putt.green_speed_ft))
    softest = (
        "" if read.aim.pace_met else f" The softest putt, {_at_hole(read, wording)} at the hole, is given."
    )
    return (
        f"This slope cannot hold a ball: at this green speed only ground up to {most} does."
        f" Past the hole it would still be rolling.{softest}"
    )


def _not_so_softly(read: Read, wording: Wording) -> str:
    return f"No ball passes the hole so softly here; the softest, {_at_hole(read, wording)}, is given."


def _mean_slope(_read: Read, _wording: Wording) -> str:
    return "On this ground no line to the hole was found: the read is for its mean slope."


def _still_air(_read: Read, _wording: Wording) -> str:
    return "In this wind no line to the hole was found: the read is for still air."


def _too_fast(read: Read, wording: Wording) -> str:
    remedy = "Roll it softer." if read.aim.pace_met else "Play for a safe leave below the hole."
    return (
        f"At {_at_hole(read, wording)} at the hole the ball is too fast to drop: it would run over or lip"
        f" out. {remedy}"
    )


def _comes_back(read: Read, wording: Wording) -> str:
    said = (
        f"This ball passes the hole and rolls back into it, {read.aim.time_to_hole_s:.0f} s after it left:"
        " a touch more or less and it is far off."
    )
    straight = softest_straight_in(read.putt, read.aim)
    if straight is None or straight.past_m is None:
        return said
    speed, past = wording.ball_speed(straight.speed_at_hole_mps, 2), wording.far(straight.past_m)
    return f"{said} The softest that goes straight in reaches the hole at {speed} and would roll {past} past."


def _no_mark(_read: Read, _wording: Wording) -> str:
    return (
        "The start line is more than 60 degrees off the hole: no spot beside the hole stands for it. Use the"
        " start spot."
    )


SENTENCES: Mapping[ReadWarning, Callable[[Read, Wording], str]] = {
    ReadWarning.SLOPE_DOES_NOT_HOLD: _does_not_hold,
    ReadWarning.PACE_NOT_MET: _not_so_softly,
    ReadWarning.GROUND_NOT_COUNTED: _mean_slope,
    ReadWarning.WIND_NOT_COUNTED: _still_air,
    ReadWarning.TOO_FAST_TO_DROP: _too_fast,
    ReadWarning.COMES_BACK: _comes_back,
    ReadWarning.NO_AIM_MARK: _no_mark,
}
