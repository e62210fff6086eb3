"""A golfer's own measures: stride, shoe, hand, eye, fingers, arms, stroke, usual pace, units and words."""

from collections.abc import Mapping
from typing import Any

from sqlalchemy.orm import Session

from orthocline.core.api import (
    GREEN_SPEED_RANGE_FT,
    PACE_M,
    PACING_SD,
    USUAL_PACING_SD,
    USUAL_SHOE_M,
    Estimate,
    StrideTry,
    StrokePutt,
    stride,
    stroke_rate,
)
from orthocline.db.models import Golfer, OwnMeasures
from orthocline.db.queries import measures_of
from orthocline.formats.wording import Wording
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.mode import Mode, require_practice

USUAL: Mapping[str, Any] = {
    "units": "feet",
    "slopes": "percent",
    "bend": "break",
    "hand": "right",
    "eye": "unknown",
    "stride_tries": [],
    "stroke_putts": [],
}
KEPT = (
    "units",
    "slopes",
    "bend",
    "hand",
    "eye",
    "shoe_m",
    "finger_1_m",
    "finger_2_m",
    "finger_3_m",
    "arm_full_m",
    "arm_bent_m",
    "usual_past_m",
)
"""What `keep_measures` keeps; tries are added and removed one by one."""
STRIDE_RANGE_M = (0.3, 1.5)
MOST_TRIES = 20


def own_measures(session: Session, golfer: Golfer) -> OwnMeasures:
    """Return a golfer's own measures, with the usual ones where none were kept."""
    return measures_of(session, golfer.id) or OwnMeasures(golfer_id=golfer.id, **USUAL)


def keep_measures(session: Session, golfer: Golfer, values: Mapping[str, Any]) -> None:
    """Keep the measures named in `KEPT`; None is the usual one."""
    measures = _kept(session, golfer)
    for name in KEPT:
        setattr(measures, name, values[name])


def own_stride(measures: OwnMeasures) -> Estimate | None:
    """Return the golfer's own length of a pace [m], if any tries were kept."""
    return stride([StrideTry(**one) for one in measures.stride_tries])


def own_stroke_rate(measures: OwnMeasures) -> Estimate | None:
    """Return the golfer's own launch speed per length of stroke [1/s], if any putts were kept."""
    return stroke_rate([StrokePutt(**one) for one in measures.stroke_putts])


def wording_of(measures: OwnMeasures) -> Wording:
    """Return how the golfer says and types figures."""
    own = own_stride(measures)
    return Wording(
        metric=measures.units == "metres",
        degrees=measures.slopes == "degrees",
        borrow=measures.bend == "borrow",
        pace_m=own.value if own else PACE_M,
        shoe_m=measures.shoe_m or USUAL_SHOE_M,
        own_pace=own is not None,
        left_handed=measures.hand == "left",
    )


def pacing_sd(wording: Wording) -> float:
    """Return how far a paced length may be off, one standard deviation as a share."""
    return PACING_SD if wording.own_pace else USUAL_PACING_SD


def add_stride_try(session: Session, golfer: Golfer, mode: Mode, *, paces: float, tape_m: float) -> None:
    """Keep one more try of pacing along a tape.

    Raises
    ------
    InvalidError
        When no stride is so short or long.
    NotAllowedError
        In Competition.
    """
    require_practice(mode, "Measuring your stride")
    least, most = STRIDE_RANGE_M
    if not least <= tape_m / paces <= most:
        raise InvalidError("paces", "A pace is 1 to 5 ft (0.3 to 1.5 m) long: check paces and tape.")
    _add(_kept(session, golfer), "stride_tries", {"paces": paces, "tape_m": tape_m}, "paces")


def add_stroke_putt(
    session: Session, golfer: Golfer, mode: Mode, *, stroke_m: float, roll_m: float, green_speed_ft: float
) -> None:
    """Keep one more putt that calibrates the stroke: on level ground, at a known green speed.

    Raises
    ------
    InvalidError
        For a green speed outside what can be read.
    NotAllowedError
        In Competition.
    """
    require_practice(mode, "Calibrating your stroke")
    least, most = GREEN_SPEED_RANGE_FT
    if not least <= green_speed_ft <= most:
        raise InvalidError("stroke_speed", f"Green speed must be between {least:g} and {most:g} feet.")
    putt = {"stroke_m": stroke_m, "roll_m": roll_m, "green_speed_ft": green_speed_ft}
    _add(_kept(session, golfer), "stroke_putts", putt, "stroke")


def remove_try(session: Session, golfer: Golfer, kind: str, number: int) -> None:
    """Remove one of the golfer's tries; `kind` is ``stride_tries`` or ``stroke_putts``.

    Raises
    ------
    NotFoundError
        When there is no such try.
    """
    measures = _kept(session, golfer)
    tries = list(getattr(measures, kind))
    if not 0 <= number < len(tries):
        raise NotFoundError("That try is gone already.")
    del tries[number]
    setattr(measures, kind, tries)


def _kept(session: Session, golfer: Golfer) -> OwnMeasures:
    found = measures_of(session, golfer.id)
    if found is None:
        found = OwnMeasures(golfer_id=golfer.id, **USUAL)
        session.add(found)
        session.flush()
    return found


def _add(measures: OwnMeasures, kind: str, one: dict[str, float], field: str) -> None:
    tries = getattr(measures, kind)
    if len(tries) >= MOST_TRIES:
        raise InvalidError(field, f"{MOST_TRIES} tries are enough: remove one first.")
    setattr(measures, kind, [*tries, one])
