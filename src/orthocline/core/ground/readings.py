"""What a golfer finds out about the ground along a putt: readings of every kind, made into stations.

What was read across the line or along it stands as it was read. What was read askew, and the mere way of
fall, says one of the two slopes by what is known of the other; what knows no size has that of greens, and
counts only where nothing else says anything.
"""

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final, NamedTuple

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground.field import line_covariance
from orthocline.core.ground.reach import REACH_M, LineDoubt, LineReadings
from orthocline.core.ground.senses import Sense
from orthocline.core.ground.stations import Station
from orthocline.core.instruments import FIRST_SD, FIRST_SLOPE, FLATTEST, INSTRUMENTS, Gives

AHEAD, RIGHT = 0, 1
"""The two slopes: fall toward the hole, and fall to the right."""
CONFLICT_SDS: Final = 2.5
"""Readings that differ by more of their joint standard deviations than this disagree."""
SAME_SHARE: Final = 0.01
"""Readings nearer to each other than this share of the way stand in one place."""
LEAST_SD: Final = 1e-6
"""What was typed and is taken as it is counts as so sure [ratio] among others."""
ON_AXIS: Final = 1e-6
MEAN_NODES: Final = 16
"""Places along the line over which a rise is seen."""
MIDDLE: Final = 0.5


@dataclass(frozen=True)
class Reading:
    """One thing found out.

    Attributes
    ----------
    at : float
        Share of the way from ball to hole; what is seen of a whole putt has none, and counts half-way.
    toward_rad : float
        The way along which the ground falls, clockwise from the way to the hole.
    size : float or None
        Fall that way [ratio], felt or seen as the golfer felt or saw it; None where only the way is known. Of
        what measures slope, a reading without a size says nothing yet.
    by : str
        The instrument's name in the registry; empty for what was typed and is taken as it is.
    within : float or None
        Within how much of the fall [ratio] it was said to be (95 %); it goes before the instrument.
    """

    at: float
    toward_rad: float
    size: float | None
    by: str = ""
    within: float | None = None

    @property
    def gives(self) -> Gives:
        """What it reads."""
        return INSTRUMENTS[self.by].gives if self.by else Gives.SLOPE

    @property
    def at_hole(self) -> bool:
        """Whether it was made at the hole."""
        return abs(self.at - 1.0) < SAME_SHARE

    @property
    def way(self) -> tuple[float, float]:
        """The way of fall as a unit step ahead and to the right."""
        return math.cos(self.toward_rad), math.sin(self.toward_rad)


class Said(NamedTuple):
    """What is said of a whole putt beforehand: fall ahead and to the right [ratio], and how sure each is."""

    ahead: float
    right: float
    ahead_sd: float
    right_sd: float


UNSAID: Final = Said(0.0, 0.0, FIRST_SD, FIRST_SD)
"""Nothing is known of a putt but that greens are hardly steep."""


@dataclass(frozen=True)
class _Row:
    """What a reading says: the fall along a way is so much; a `weak` one counts where no other speaks."""

    reading: int
    at: float
    way: tuple[float, float]
    fall: float
    sd: float
    weak: bool = False

    def reads(self, axis: int) -> bool:
        return abs(self.way[1 - axis]) < ON_AXIS

    def along(self, axis: int) -> "_Row":
        """Return it as the fall ahead or to the right, whichever it reads."""
        return replace(self, way=_axis_way(axis), fall=self.fall * math.copysign(1.0, self.way[axis]))


@dataclass(frozen=True)
class Conflict:
    """Two readings that disagree, by their places in the list, and by how many standard deviations."""

    one: int
    other: int
    sds: float


def stations_of(
    readings: Sequence[Reading], length_m: float, said: Said, own: Mapping[str, Sense] | None = None
) -> tuple[Station, ...]:
    """Return the stations that readings make.

    Parameters
    ----------
    readings : sequence of Reading
        One or more.
    length_m : float
        The putt's length [m].
    said : Said
        What is said of the whole putt beforehand; it counts for a slope of which no reading says anything.
    own : mapping, optional
        How the golfer's own senses go with the level, by instrument.

    Returns
    -------
    tuple of Station
        In the order of the way, each of one slope. Readings of one slope in one place are averaged, the surer
        counting more; `conflicts_of` says where they should not have been.
    """
    rows = _rows(readings, length_m, said, own or {})
    ahead = _averaged([one for one in rows if one.reads(AHEAD)]) or [(MIDDLE, said.ahead, said.ahead_sd)]
    right = _averaged([one for one in rows if one.reads(RIGHT)]) or [(MIDDLE, said.right, said.right_sd)]
    found = [
        *(Station(at, None, -fall, sd) for at, fall, sd in ahead),
        *(Station(at, fall, None, sd) for at, fall, sd in right),
    ]
    return tuple(sorted(found, key=lambda one: one.at))


def conflicts_of(
    readings: Sequence[Reading], length_m: float, own: Mapping[str, Sense] | None = None
) -> tuple[Conflict, ...]:
    """Return which readings disagree by more than 2.5 of their joint standard deviations.

    Parameters
    ----------
    readings : sequence of Reading
        Any. A first look is not asked: every reading overrules it.
    length_m : float
        The putt's length [m].
    own : mapping, optional
        How the golfer's own senses go with the level, by instrument.

    Returns
    -------
    tuple of Conflict
        Each pair within reach of each other once, the worst first. Between two places the ground itself may
        differ by what greens do.
    """
    rows = _all_rows(readings, length_m, UNSAID, own or {})
    rows = [one for one in rows if readings[one.reading].gives is not Gives.FIRST]
    differs = _may_differ(rows, length_m)
    worst: dict[tuple[int, int], float] = {}
    for i, one in enumerate(rows):
        for j, other in enumerate(rows[i + 1 :], start=i + 1):
            if one.reading == other.reading or one.way != other.way:
                continue
            if length_m * abs(one.at - other.at) > REACH_M:
                continue
            pair = min(one.reading, other.reading), max(one.reading, other.reading)
            joint = math.sqrt(one.sd**2 + other.sd**2 + differs[i, j])
            apart = abs(one.fall - other.fall) / max(joint, LEAST_SD)
            worst[pair] = max(worst.get(pair, 0.0), apart)
    found = [Conflict(*pair, sds) for pair, sds in worst.items() if sds > CONFLICT_SDS]
    return tuple(sorted(found, key=lambda one: -one.sds))


def _may_differ(rows: Sequence[_Row], length_m: float) -> NDArray[np.float64]:
    """Return the variance of how the ground itself differs between rows of one slope, shape (n, n)."""
    at = np.array([one.at for one in rows])
    along, across = line_covariance(length_m * at)
    right = np.array([one.reads(RIGHT) for one in rows], dtype=bool)
    shared = np.where(right[:, None], across, along)
    apart = np.abs(at[:, None] - at) >= SAME_SHARE
    return np.asarray(2.0 * apart * (shared.diagonal()[:, None] - shared))


def _rows(readings: Sequence[Reading], length_m: float, said: Said, own: Mapping[str, Sense]) -> list[_Row]:
    """Return what readings say of the one slope and of the other, without what is overruled."""
    rows = _all_rows(readings, length_m, said, own)
    spoken = {axis for axis in (AHEAD, RIGHT) if any(one.reads(axis) and not one.weak for one in rows)}
    return [one for one in rows if not one.weak or not any(one.reads(axis) for axis in spoken)]


def _all_rows(
    readings: Sequence[Reading], length_m: float, said: Said, own: Mapping[str, Sense]
) -> list[_Row]:
    own_rows = [row for i, one in enumerate(readings) for row in _own_rows(i, one, length_m, own)]
    straight = [row.along(axis) for row in own_rows for axis in (AHEAD, RIGHT) if row.reads(axis)]
    known = _Known([one for one in straight if not one.weak], length_m, said)
    askew = [row for row in own_rows if not (row.reads(AHEAD) or row.reads(RIGHT))]
    turned = [row for here in _in_one_place(askew) for row in known.by_askew(here)]
    ways = [row for i, one in enumerate(readings) if one.gives is Gives.WAY for row in known.by_way(i, one)]
    return [*straight, *turned, *ways]


def _own_rows(i: int, one: Reading, length_m: float, own: Mapping[str, Sense]) -> Iterator[_Row]:
    """Yield what a reading says by itself; a mere way of fall says nothing yet."""
    size, gives = one.size, one.gives
    if gives is Gives.WAY:
        return
    if gives in (Gives.ARROW, Gives.FIRST):
        yield from _arrow(i, one, FIRST_SLOPE if size is None else size, weak=gives is Gives.FIRST)
    elif size is None and gives is Gives.FELT:
        yield _Row(i, one.at, one.way, FIRST_SLOPE, FIRST_SD, weak=True)
    elif size is not None:
        yield _sized(i, one, size, length_m, own)


def _sized(i: int, one: Reading, size: float, length_m: float, own: Mapping[str, Sense]) -> _Row:
    """Return what a reading of a slope says, as sure as its instrument is."""
    fall, sd = size, 0.0
    if one.by in own:
        felt = own[one.by].slope(abs(size))
        fall, sd = math.copysign(1.0, size) * felt.value, felt.sd
    elif one.gives is Gives.RISE:
        sd = _half_way_sd(INSTRUMENTS[one.by].sd_of(size * length_m) / length_m, length_m)
    elif one.by:
        sd = INSTRUMENTS[one.by].sd_of(size)
    if one.within is not None:
        sd = 0.5 * one.within
    return _Row(i, MIDDLE if one.gives is Gives.RISE else one.at, one.way, fall, sd)


def _half_way_sd(sd: float, length_m: float) -> float:
    """Return how sure the slope half-way is by the mean of a whole putt."""
    along = np.linspace(0.0, length_m, MEAN_NODES)
    mean = np.concatenate([np.full(MEAN_NODES, 1.0 / MEAN_NODES), np.zeros(MEAN_NODES)])
    half = LineReadings(np.array([MIDDLE * length_m]), np.array([sd]))
    return math.sqrt(LineDoubt(np.column_stack([along, 0.0 * along]), mean).variance(half, half))


def _arrow(i: int, one: Reading, size: float, *, weak: bool) -> Iterator[_Row]:
    """Yield the two slopes of a fall whose way and size are known."""
    instrument = INSTRUMENTS[one.by]
    sd = FIRST_SD if one.size is None else instrument.sd
    if one.within is not None:
        sd = 0.5 * one.within
    aside = max(abs(size), FLATTEST) * instrument.way_sd_of(size)
    for axis in (AHEAD, RIGHT):
        spread = math.hypot(sd * one.way[axis], aside * one.way[1 - axis])
        yield _Row(i, one.at, _axis_way(axis), size * one.way[axis], spread, weak)


def _axis_way(axis: int) -> tuple[float, float]:
    return (1.0, 0.0) if axis == AHEAD else (0.0, 1.0)


@dataclass(frozen=True)
class _Known:
    """The two slopes as they were read straight."""

    rows: list[_Row]
    length_m: float
    said: Said

    def by_askew(self, rows: list[_Row]) -> Iterator[_Row]:
        """Yield the two slopes of a place by what was read askew there; a lone row says but one."""
        if len(rows) == 1:
            yield self._dominant(rows[0])
            return
        ways = np.array([one.way for one in rows])
        weights = np.array([max(one.sd, LEAST_SD) ** -2 for one in rows])
        spread = np.linalg.inv(ways.T @ (weights[:, None] * ways) + np.eye(2) / FIRST_SD**2)
        falls = spread @ ways.T @ (weights * [one.fall for one in rows])
        for axis in (AHEAD, RIGHT):
            sd = math.sqrt(spread[axis, axis])
            yield replace(rows[0], way=_axis_way(axis), fall=float(falls[axis]), sd=sd)

    def _dominant(self, row: _Row) -> _Row:
        """Return a row that was read askew as that of the slope which it reads more of."""
        axis = int(abs(row.way[RIGHT]) > abs(row.way[AHEAD]))
        other, sd = self._other(1 - axis, row.at)
        mine, its = row.way[axis], row.way[1 - axis]
        fall, spread = (row.fall - its * other) / mine, math.hypot(row.sd, its * sd) / abs(mine)
        return replace(row, way=_axis_way(axis), fall=fall, sd=spread)

    def by_way(self, i: int, one: Reading) -> Iterator[_Row]:
        """Yield what a mere way of fall says: the lesser slope by the greater, where that was read."""
        greater = int(abs(one.way[RIGHT]) > abs(one.way[AHEAD]))
        if not any(row.reads(greater) for row in self.rows):
            yield from _arrow(i, one, FIRST_SLOPE, weak=True)
            return
        fall, sd = self._other(greater, one.at)
        main, less = abs(one.way[greater]), one.way[1 - greater]
        slope = abs(fall) / main
        turned = max(slope, FLATTEST) * INSTRUMENTS[one.by].way_sd_of(slope)
        lesser_sd = math.hypot(turned, less * sd) / main
        yield _Row(i, one.at, _axis_way(1 - greater), slope * less, lesser_sd)
        # It says on which side water leaves, too: as steeply as is known.
        yield _Row(i, one.at, _axis_way(greater), slope * one.way[greater], sd, weak=True)

    def _other(self, axis: int, at: float) -> tuple[float, float]:
        """Return the fall ahead or to the right at a share of the way, and how sure that is."""
        read = _averaged([row for row in self.rows if row.reads(axis)])
        if not read:
            return self.said[axis], self.said[2 + axis]
        places, falls, sds = (np.array(one) for one in zip(*read, strict=True))
        readings = LineReadings(self.length_m * places, sds)
        here = LineDoubt(np.array([[self.length_m * at, 0.0]]), np.array([1.0 - axis, float(axis)]))
        return float(np.interp(at, places, falls)), math.sqrt(here.variance(readings, readings))


def _averaged(rows: list[_Row]) -> list[tuple[float, float, float]]:
    """Return place, fall and standard deviation of rows of one slope, those in one place averaged."""
    found = []
    for here in _in_one_place(rows):
        weights = [max(one.sd, LEAST_SD) ** -2 for one in here]
        fall = sum(w * one.fall for w, one in zip(weights, here, strict=True)) / sum(weights)
        sd = sum(weights) ** -0.5 if any(one.sd for one in here) else 0.0
        found.append((here[0].at, fall, sd))
    return found


def _in_one_place(rows: list[_Row]) -> Iterator[list[_Row]]:
    """Yield the rows of each place, in the order of the way."""
    rows = sorted(rows, key=lambda one: one.at)
    while rows:
        here = [one for one in rows if one.at - rows[0].at < SAME_SHARE]
        yield here
        rows = rows[len(here) :]
