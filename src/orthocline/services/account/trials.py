"""What a golfer's own measures are found from: trials of the stride and the stroke, and slopes compared."""

from collections.abc import Mapping
from uuid import UUID

from sqlalchemy.orm import Session

from orthocline.core.roll import RANGES
from orthocline.db.account import models
from orthocline.db.entries import add_once, count_of, entry_of, with_same_key
from orthocline.services.account.access import Viewer, open_play, own_data
from orthocline.services.account.measures import kept_measures
from orthocline.services.errors import InvalidError, NotFoundError

TRIALS: Mapping[str, type[models.Trial]] = {
    "stride": models.StrideTrial,
    "stroke": models.StrokeTrial,
    "slope": models.SlopePair,
}
STRIDE_RANGE_M = (0.3, 1.5)
MOST_TRIALS, MOST_PAIRS = 20, 400


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
    viewer: Viewer,
    session: Session,
    *,
    sense: str,
    guess: float,
    level: float,
    way: str | None = None,
    key: UUID | None = None,
) -> None:
    """Keep a slope [ratio] that was felt or seen, and then read with a level in the same place.

    `way` is the side of the golfer that was low, as far as it was said: left, right, toes or heels. The same
    `key` again is the same pair.

    Raises
    ------
    InvalidError
        When there are enough, of both senses together.
    NotAllowedError
        In Competition.
    """
    pair = models.SlopePair(
        golfer_id=viewer.owner_id, key=key, sense=sense, guess=guess, level=level, way=way
    )
    _add(viewer, session, pair, "guess", MOST_PAIRS)


@own_data
def remove_trial(viewer: Viewer, session: Session, kind: str, trial_id: int) -> None:
    """Remove one of the golfer's trials; `kind` is one of `TRIALS`.

    Raises
    ------
    NotFoundError
        When there is none of that number.
    """
    measures = kept_measures(viewer, session)
    trial = entry_of(session, TRIALS[kind], viewer.owner_id, trial_id)
    if trial is None:
        raise NotFoundError("That one is gone already.")
    session.delete(trial)
    session.flush()
    session.expire(measures)


def _add(viewer: Viewer, session: Session, trial: models.Trial, field: str, most: int = MOST_TRIALS) -> None:
    measures = kept_measures(viewer, session)
    if with_same_key(session, trial) is None and count_of(session, type(trial), viewer.owner_id) >= most:
        raise InvalidError(field, f"{most} trials are enough: remove one first.")
    add_once(session, trial)
    session.expire(measures)
