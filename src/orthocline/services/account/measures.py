"""A golfer's own measures: stride, shoe, hand, eye, fingers, arms, stroke, usual pace, units and words."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, NamedTuple
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.account import GOLFERS, USUAL_LEVEL, Golfer, PacedTape, UsualPasts, stride
from orthocline.core.calls import USUAL_GOLFER, GolferFigures
from orthocline.core.estimate import Estimate
from orthocline.core.ground import Sense, SlopePair, sense
from orthocline.core.instruments import INSTRUMENTS, USUAL_PAST_M, USUAL_SHOE_M
from orthocline.core.roll import RANGES
from orthocline.core.speed import StrokePutt, Tempo, stroke_rate
from orthocline.core.units import PACE_M
from orthocline.db.account import models
from orthocline.db.account.models import OwnMeasures
from orthocline.db.account.queries import measures_of
from orthocline.db.entries import add_once, count_of, entry_of, one_at_a_time, with_same_key
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.errors import InvalidError, NotFoundError
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
    "shoe_m",
    "finger_1_m",
    "finger_2_m",
    "finger_3_m",
    "arm_full_m",
    "arm_bent_m",
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
    """A slope [ratio] felt (`feet`) or seen (`eye`), and as a level read it, by the number of its row."""

    id: int
    sense: str
    guess: float
    level: float


@dataclass(frozen=True)
class Measures:
    """A golfer's own measures, units and words; None where the usual figure is used."""

    units: str = "feet"
    slopes: str = "percent"
    bend: str = "break"
    hand: str = "right"
    eye: str = "unknown"
    golfer_level: str = USUAL_LEVEL
    pace: str = "usual"
    shoe_m: float | None = None
    finger_1_m: float | None = None
    finger_2_m: float | None = None
    finger_3_m: float | None = None
    arm_full_m: float | None = None
    arm_bent_m: float | None = None
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


class WhoPutts(NamedTuple):
    """A golfer's spreads, the level that the usual ones are of, and whether any is the golfer's own."""

    golfer: Golfer
    level: str
    own: bool


TRIALS: Mapping[str, type[models.Trial]] = {
    "stride": models.StrideTrial,
    "stroke": models.StrokeTrial,
    "slope": models.SlopePair,
}
SENSES = ("feet", "eye")
STRIDE_RANGE_M = (0.3, 1.5)
MOST_TRIALS, MOST_PAIRS = 20, 40


@own_data
def own_measures(viewer: Viewer, session: Session) -> Measures:
    """Return a golfer's own measures, with the usual ones where none were kept."""
    kept = measures_of(session, viewer.owner_id)
    if kept is None:
        return Measures()
    strides = (StrideTrial(one.id, one.paces, one.tape_m) for one in kept.stride_trials)
    strokes = (
        StrokeTrial(one.id, one.stroke_m, one.roll_m, one.green_speed_ft) for one in kept.stroke_trials
    )
    pairs = tuple(KeptPair(one.id, one.sense, one.guess, one.level) for one in kept.slope_pairs)
    values = {name: getattr(kept, name) for name in (*KEPT, *TEMPO)}
    return Measures(**values, stride_trials=tuple(strides), stroke_trials=tuple(strokes), slope_pairs=pairs)


@own_data
def keep_measures(viewer: Viewer, session: Session, values: Mapping[str, Any]) -> None:
    """Keep the measures named in `KEPT`; None is the usual one."""
    measures = _kept(viewer, session)
    for name in KEPT:
        setattr(measures, name, values[name])


@open_play("Keeping a tempo")
def keep_tempo(viewer: Viewer, session: Session, tempo: Tempo) -> None:
    """Keep the golfer's tempo and beat."""
    measures = _kept(viewer, session)
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
    return GolferFigures(own_stroke_rate(measures), own_tempo(measures), measures.stance_m)


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
    kept = {name: figure for name, figure in own.items() if figure is not None}
    return WhoPutts(replace(usual, **kept), measures.golfer_level, own=bool(kept))


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


@open_play("Measuring your stride")
def add_stride_trial(
    viewer: Viewer, session: Session, *, paces: float, tape_m: float, key: UUID | None = None
) -> None:
    """Keep one more try of pacing along a tape. The same `key` again is the same try.

    Raises
    ------
    InvalidError
        When no stride is so short or long, or there are enough.
    NotAllowedError
        In Competition.
    """
    least, most = STRIDE_RANGE_M
    if not least <= tape_m / paces <= most:
        raise InvalidError("paces", "A pace is 1 to 5 ft (0.3 to 1.5 m) long: check paces and tape.")
    trial = models.StrideTrial(golfer_id=viewer.owner_id, key=key, paces=paces, tape_m=tape_m)
    _add(viewer, session, trial, "paces")


@open_play("Calibrating your stroke")
def add_stroke_putt(
    viewer: Viewer,
    session: Session,
    *,
    stroke_m: float,
    roll_m: float,
    green_speed_ft: float,
    key: UUID | None = None,
) -> None:
    """Keep one more putt that calibrates the stroke: on level ground, at a known green speed.

    The same `key` again is the same putt.

    Raises
    ------
    InvalidError
        For a green speed outside what can be read, or when there are enough.
    NotAllowedError
        In Competition.
    """
    least, most = RANGES.green_speed_ft
    if not least <= green_speed_ft <= most:
        raise InvalidError("stroke_speed", f"Green speed must be between {least:g} and {most:g} feet.")
    trial = models.StrokeTrial(
        golfer_id=viewer.owner_id, key=key, stroke_m=stroke_m, roll_m=roll_m, green_speed_ft=green_speed_ft
    )
    _add(viewer, session, trial, "stroke")


@open_play("Comparing slopes with a level")
def add_slope_pair(
    viewer: Viewer, session: Session, *, sense: str, guess: float, level: float, key: UUID | None = None
) -> None:
    """Keep a slope [ratio] that was felt or seen, and then read with a level in the same place.

    The same `key` again is the same pair.

    Raises
    ------
    InvalidError
        When there are enough, of both senses together.
    NotAllowedError
        In Competition.
    """
    pair = models.SlopePair(golfer_id=viewer.owner_id, key=key, sense=sense, guess=guess, level=level)
    _add(viewer, session, pair, "guess", MOST_PAIRS)


@own_data
def remove_trial(viewer: Viewer, session: Session, kind: str, trial_id: int) -> None:
    """Remove one of the golfer's trials; `kind` is one of `TRIALS`.

    Raises
    ------
    NotFoundError
        When there is none of that number.
    """
    measures = _kept(viewer, session)
    trial = entry_of(session, TRIALS[kind], viewer.owner_id, trial_id)
    if trial is None:
        raise NotFoundError("That one is gone already.")
    session.delete(trial)
    session.flush()
    session.expire(measures)


def _kept(viewer: Viewer, session: Session) -> OwnMeasures:
    """Return the golfer's measures to be changed, by one request at a time."""
    one_at_a_time(session, viewer.owner_id)
    measures = measures_of(session, viewer.owner_id)
    if measures is None:
        measures = OwnMeasures(golfer_id=viewer.owner_id)
        session.add(measures)
        session.flush()
    return measures


def _add(viewer: Viewer, session: Session, trial: models.Trial, field: str, most: int = MOST_TRIALS) -> None:
    measures = _kept(viewer, session)
    if with_same_key(session, trial) is None and count_of(session, type(trial), viewer.owner_id) >= most:
        raise InvalidError(field, f"{most} trials are enough: remove one first.")
    add_once(session, trial)
    session.expire(measures)
