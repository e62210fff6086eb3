"""A golfer's own measures: stride, shoe, hand, eye, fingers, arms, stroke, usual pace, units and words."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any, NamedTuple

from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, USUAL_LEVEL, Golfer, PacedTape, UsualPasts, stride
from orthocline.core.calls import (
    FIRST_CALLS,
    SCHOOLS,
    USUAL_GOLFER,
    Gauge,
    GolferFigures,
    Putter,
    Sight,
    StartAid,
)
from orthocline.core.estimate import Estimate
from orthocline.core.ground import Sense, SlopePair, sense
from orthocline.core.instruments import INSTRUMENTS, USUAL_PAST_M, USUAL_SHOE_M
from orthocline.core.speed import StrokePutt, Tempo, stroke_rate
from orthocline.core.units import PACE_M
from orthocline.db.account.models import OwnMeasures
from orthocline.db.account.queries import measures_of
from orthocline.db.entries import one_at_a_time
from orthocline.db.log.habits import GolferHabits, measures_and_habits
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.errors import InvalidError
from orthocline.wording.calibration import Calibration
from orthocline.wording.dates import calendar_of
from orthocline.wording.units import Units
from orthocline.wording.wording import Bend, Hand, Wording

KEPT = (
    "units",
    "slopes",
    "bend",
    "hand",
    "eye",
    "golfer_level",
    "pace",
    "sight",
    "start_aid",
    "shoe_m",
    "finger_1_m",
    "finger_2_m",
    "finger_3_m",
    "finger_4_m",
    "finger_5_m",
    "arm_full_m",
    "arm_bent_m",
    "arm_bent_speed_ft",
    "eye_height_m",
    "lean",
    "crouch_height_m",
    "stand_m",
    "shaft_m",
    "shaft_left_m",
    "shaft_right_m",
    "stance_m",
    "usual_past_m",
    "usual_past_uphill_m",
    "usual_past_downhill_m",
    "start_line_rad",
    "energy",
    "read_share",
)
"""What `keep_measures` keeps; `keep_tempo` keeps the tempo, trials are added and removed one by one."""
TEMPO = ("back_s", "beat_s")
FINGERS = tuple(f"finger_{number}_m" for number in range(1, 6))


@dataclass(frozen=True)
class StrideTrial:
    """So many paces along so much tape, by the number under which it can be removed."""

    id: int
    paces: float
    tape_m: float


@dataclass(frozen=True)
class StrokeTrial:
    """A putt that calibrates the stroke, by the number under which it can be removed."""

    id: int
    stroke_m: float
    roll_m: float
    green_speed_ft: float


@dataclass(frozen=True)
class KeptPair:
    """A slope [ratio] felt (`feet`) or seen (`eye`), and as a level read it, by the number of its row.

    `way` is which side of the golfer was low, empty where nobody said.
    """

    id: int
    sense: str
    guess: float
    level: float
    way: str = ""


@dataclass(frozen=True)
class Measures:
    """A golfer's own measures, units and words; None where the usual figure is used.

    `learnt` are the spreads that the log knows well enough, by so many putts; None until it was worked out.
    """

    units: str = "feet"
    slopes: str = "percent"
    bend: str = "break"
    hand: str = "right"
    eye: str = "unknown"
    golfer_level: str = USUAL_LEVEL
    pace: str = "usual"
    sight: str = Sight.EITHER
    start_aid: str = StartAid.SPOT
    calls: tuple[str, ...] | None = None
    shoe_m: float | None = None
    finger_1_m: float | None = None
    finger_2_m: float | None = None
    finger_3_m: float | None = None
    finger_4_m: float | None = None
    finger_5_m: float | None = None
    arm_full_m: float | None = None
    arm_bent_m: float | None = None
    arm_bent_speed_ft: float | None = None
    eye_height_m: float | None = None
    lean: float | None = None
    crouch_height_m: float | None = None
    stand_m: float | None = None
    shaft_m: float | None = None
    shaft_left_m: float | None = None
    shaft_right_m: float | None = None
    stance_m: float | None = None
    back_s: float | None = None
    beat_s: float | None = None
    usual_past_m: float | None = None
    usual_past_uphill_m: float | None = None
    usual_past_downhill_m: float | None = None
    start_line_rad: float | None = None
    energy: float | None = None
    read_share: float | None = None
    stride_trials: tuple[StrideTrial, ...] = ()
    stroke_trials: tuple[StrokeTrial, ...] = ()
    slope_pairs: tuple[KeptPair, ...] = ()
    learnt_by: int | None = None
    learnt: Mapping[str, float] = field(default_factory=dict)


class WhoPutts(NamedTuple):
    """A golfer's spreads, the level that the usual ones are of, and whether any is the golfer's own.

    Own figures may be typed, or known by so many putts of the log: `learnt_by`.
    """

    golfer: Golfer
    level: str
    own: bool
    learnt_by: int = 0


SENSES = ("feet", "eye")
USUAL_SHAFT_M = 0.7
"""So much of a putter's shaft hangs beside a plumb line."""
ARM_RANGE_M = (0.15, 1.0)
"""From the eye to the fingers."""


@own_data
def own_measures(viewer: Viewer, session: Session) -> Measures:
    """Return a golfer's own measures, with the usual ones where none were kept."""
    kept, known = measures_and_habits(session, viewer.owner_id)
    learnt, by = _learnt(known), known.putts if known else None
    if kept is None:
        return Measures(learnt_by=by, learnt=learnt)
    strides = (StrideTrial(one.id, one.paces, one.tape_m) for one in kept.stride_trials)
    strokes = (
        StrokeTrial(one.id, one.stroke_m, one.roll_m, one.green_speed_ft) for one in kept.stroke_trials
    )
    pairs = tuple(
        KeptPair(one.id, one.sense, one.guess, one.level, one.way or "") for one in kept.slope_pairs
    )
    values = {name: getattr(kept, name) for name in (*KEPT, *TEMPO)}
    return Measures(
        **values,
        calls=None if kept.calls is None else tuple(kept.calls),
        stride_trials=tuple(strides),
        stroke_trials=tuple(strokes),
        slope_pairs=pairs,
        learnt_by=by,
        learnt=learnt,
    )


def _learnt(known: GolferHabits | None) -> dict[str, float]:
    if known is None:
        return {}
    figures = {"start_line_rad": known.start_line_rad, "energy": known.energy, "read": known.read_share}
    return {name: figure for name, figure in figures.items() if figure is not None}


@own_data
def keep_measures(viewer: Viewer, session: Session, values: Mapping[str, Any]) -> None:
    """Keep the measures named in `KEPT`; None is the usual one."""
    measures = kept_measures(viewer, session)
    for name in KEPT:
        setattr(measures, name, values[name])


@own_data
def keep_calls(viewer: Viewer, session: Session, calls: Sequence[str] | None) -> None:
    """Keep which calls lead, in their order; None are those that a golfer of that sight starts with."""
    kept_measures(viewer, session).calls = None if calls is None else list(calls)


@open_play("Setting your bend")
def keep_bend(viewer: Viewer, session: Session, arm_m: float, green_speed_ft: float) -> None:
    """Keep how far from the eye the fingers are held, on a green of that speed.

    Raises
    ------
    InvalidError
        When no arm holds them there.
    NotAllowedError
        In Competition.
    """
    measures = kept_measures(viewer, session)
    least, most = ARM_RANGE_M
    if not least <= arm_m <= min(most, measures.arm_full_m or USUAL_GOLFER.gauge.straight_m):
        raise InvalidError("fingers", "No arm bends so: try another number of fingers.")
    measures.arm_bent_m, measures.arm_bent_speed_ft = arm_m, green_speed_ft


@open_play("Keeping a tempo")
def keep_tempo(viewer: Viewer, session: Session, tempo: Tempo) -> None:
    """Keep the golfer's tempo and beat."""
    measures = kept_measures(viewer, session)
    measures.back_s, measures.beat_s = tempo.back_s, tempo.beat_s


def own_stride(measures: Measures) -> Estimate | None:
    """Return the golfer's own length of a pace [m], if any trials were kept."""
    return stride([PacedTape(one.paces, one.tape_m) for one in measures.stride_trials])


def own_stroke_rate(measures: Measures) -> Estimate | None:
    """Return the golfer's own launch speed per length of stroke [1/s], if any putts were kept."""
    return stroke_rate(stroke_putts(measures.stroke_trials))


def pairs_of(measures: Measures, name: str) -> list[SlopePair]:
    """Return the pairs of one sense, as the core takes them."""
    return [SlopePair(one.guess, one.level) for one in measures.slope_pairs if one.sense == name]


def own_senses(measures: Measures | None) -> dict[str, Sense]:
    """Return how the golfer's feet and eyes go with the level, by instrument; none without enough pairs."""
    found = {name: sense(pairs_of(measures, name)) for name in SENSES} if measures else {}
    return {name: own for name, own in found.items() if own}


def golfer_figures(measures: Measures | None) -> GolferFigures:
    """Return what the schools need to know of a golfer; the usual ones for a visitor."""
    if measures is None:
        return USUAL_GOLFER
    return GolferFigures(
        own_stroke_rate(measures),
        own_tempo(measures),
        measures.stance_m,
        _gauge(measures),
        measures.eye_height_m or USUAL_GOLFER.eye_m,
        USUAL_GOLFER.lean if measures.lean is None else measures.lean,
        StartAid(measures.start_aid),
        "" if measures.eye == "unknown" else measures.eye,
        measures.crouch_height_m or USUAL_GOLFER.crouch_m,
        measures.stand_m or USUAL_GOLFER.stand_m,
        _putter(measures),
    )


def _putter(measures: Measures) -> Putter:
    """Return how the golfer's putter hangs; true by both edges while it was not checked."""
    over = measures.shaft_m or USUAL_SHAFT_M
    return Putter((measures.shaft_left_m or 0.0) / over, (measures.shaft_right_m or 0.0) / over)


def _gauge(measures: Measures) -> Gauge:
    usual = USUAL_GOLFER.gauge
    fingers = tuple(
        own or usually
        for own, usually in zip((getattr(measures, name) for name in FINGERS), usual.fingers_m, strict=True)
    )
    return Gauge(
        fingers,
        measures.arm_full_m or usual.straight_m,
        measures.arm_bent_m or usual.bent_m,
        measures.arm_bent_speed_ft or usual.bent_for_ft,
    )


def first_calls(measures: Measures | None) -> tuple[str, ...]:
    """Return the calls that lead on a golfer's Read page, in their order; what is no school is left out."""
    if measures is None:
        return FIRST_CALLS[Sight.EITHER]
    chosen = FIRST_CALLS[Sight(measures.sight)] if measures.calls is None else measures.calls
    return tuple(name for name in chosen if name in SCHOOLS)


def own_tempo(measures: Measures | None) -> Tempo:
    """Return the golfer's tempo, the usual one where none was kept."""
    if measures is None or measures.back_s is None or measures.beat_s is None:
        return Tempo()
    return Tempo(measures.back_s, measures.beat_s)


def usual_pasts(measures: Measures | None) -> UsualPasts | None:
    """Return the golfer's usual roll-pasts; None where none were kept."""
    if measures is None:
        return None
    pasts = (measures.usual_past_m, measures.usual_past_uphill_m, measures.usual_past_downhill_m)
    if pasts == (None, None, None):
        return None
    level, uphill, downhill = pasts
    return UsualPasts(USUAL_PAST_M if level is None else level, uphill, downhill)


def golfer_of(measures: Measures | None, level: str = "") -> WhoPutts:
    """Return who putts: the golfer, or the usual one of another level, if one is asked for."""
    if level or measures is None:
        level = level or USUAL_LEVEL
        return WhoPutts(GOLFERS[level], level, own=False)
    usual = GOLFERS[measures.golfer_level]
    own = {
        "start_line_rad": measures.start_line_rad,
        "energy": measures.energy,
        "read": measures.read_share,
    }
    typed = {name: figure for name, figure in own.items() if figure is not None}
    kept = {**measures.learnt, **typed}
    by = measures.learnt_by or 0 if set(measures.learnt) - set(typed) else 0
    return WhoPutts(replace(usual, **kept), measures.golfer_level, own=bool(kept), learnt_by=by)


def wants_advice(measures: Measures | None) -> bool:
    """Return whether the golfer's reads take the advised pace, rather than the usual one."""
    return measures is not None and measures.pace == "advised"


@own_data
def stroke_trials(viewer: Viewer, measures: Measures) -> Sequence[StrokeTrial]:
    """Return the putts that calibrate the stroke; none in Competition, because they tell a green's speed."""
    return () if viewer.in_competition else measures.stroke_trials


def stroke_putts(trials: Sequence[StrokeTrial]) -> list[StrokePutt]:
    """Return such putts as the core takes them."""
    return [StrokePutt(one.stroke_m, one.roll_m, one.green_speed_ft) for one in trials]


def wording_of(measures: Measures, time_zone: str | None = None) -> Wording:
    """Return how the golfer says and types figures, days and times."""
    own = own_stride(measures)
    return Wording(
        Units(measures.units == "metres", measures.slopes == "degrees"),
        Calibration(
            own.value if own else PACE_M,
            measures.shoe_m or USUAL_SHOE_M,
            own is not None,
            own_senses(measures),
        ),
        Bend(measures.bend),
        Hand(measures.hand),
        calendar_of(time_zone),
    )


def pacing_sd(wording: Wording) -> float:
    """Return how far a paced length may be off, one standard deviation as a share."""
    return INSTRUMENTS["own_paces" if wording.calibration.own_pace else "usual_paces"].share


@own_data
def kept_measures(viewer: Viewer, session: Session) -> OwnMeasures:
    """Return the golfer's measures to be changed, by one request at a time."""
    one_at_a_time(session, viewer.owner_id)
    measures = measures_of(session, viewer.owner_id)
    if measures is None:
        measures = OwnMeasures(golfer_id=viewer.owner_id)
        session.add(measures)
        session.flush()
    return measures
