"""The compiled search: every line to the hole, by rolls that begin at the hole.

A line is known by its direction and speed at the hole. Rolled forward from there the ball shows the pace,
rolled backward in time the places it can come from. The search goes once round all directions, halving where
neighbours come from places far apart, and keeps each pair between which the ball lies. There both unknowns
are found at once by Newton's method; where that leaves the pair, halving takes over.
"""

import math
from typing import Any, Final

import numpy as np
from numba import njit
from numpy.typing import NDArray

from orthocline.core.compiled import KEPT
from orthocline.core.roll.arrivals import (
    ASKED,
    BY_SPEED,
    LENGTH,
    MISS,
    PASSAGES,
    SHARE,
    STEP,
    back,
    forth,
)

Task = tuple[Any, Any, Any]
"""What every part of the search is given: ground, accelerations and question."""

FIGURES: Final = 3 + PASSAGES
"""Of a sample: heading and speed at the hole, the misses of the passages, the heading where it was left."""
COARSER: Final = 1.7
"""Steps of the search, as multiples of those that settle a line."""
SECTION: Final = 0.5 * (3.0 - math.sqrt(5.0))
SAMPLES, STACK, LINES = 1000, 60, 8
JUMP_RAD: Final = 0.5
"""Neighbours whose passages lie further apart are halved."""
PARTED_RAD: Final = 1e-5
"""Down to this width those are halved that are left in other directions."""
EDGE_RAD: Final = 1e-3
"""Down to this width the ends are looked for of directions that have a pace, or a passage, at all."""
ROUGH, FINE = 1e-3, 1e-8
"""Shares of the roll-past to which the speed is found while searching, and at a line."""
SPEED_TRIES, NEWTON_TRIES, MOST_TRIES, DIPS = 40, 8, 60, 12
WIDENINGS, JUMP_TRIES, JUMP_SHARE = 12, 20, 0.1
"""A miss that does not shrink to this share by then jumps over the ball."""
FAILURES: Final = 4
"""So many jumps over the ball are taken for lines before the rest is left."""
CLOSE_M: Final = 1e-7
"""A line passes the ball's place so near [m]."""
PLAUSIBLE: Final = 1e-4
"""A pace that cannot be had to `FINE`, for the roll-past jumps a little there, is taken to this share."""


@njit(**KEPT)
def _speed_for(task: Task, heading: float, guess: float, tolerance: float) -> float:
    """Return the speed [m/s] at the hole that has the pace asked in that direction; NaN where none has."""
    ground, accel, question = task
    asked = question[ASKED]
    if question[BY_SPEED] > 0.0:
        return float(asked)
    low, high, energy = 0.0, math.inf, guess * guess
    before, left_before = 0.0, 0.0
    for _ in range(SPEED_TRIES):
        left = forth(ground, accel, question, heading, math.sqrt(energy))
        if abs(left - asked) <= tolerance * asked:
            return math.sqrt(energy)
        if left < asked:
            low = energy
        else:
            high = energy
        if high < math.inf and (high - low <= 1e-13 * high or high < 1e-12):
            return math.sqrt(energy) if abs(left - asked) <= PLAUSIBLE * asked else math.nan
        ahead = 0.0
        if left < math.inf:
            power = 1.0
            if 0.0 < left_before < math.inf and left_before != left:
                power = math.log(energy / before) / math.log(left / left_before)
            ahead = energy * (asked / left) ** min(max(power, 0.2), 5.0)
        before, left_before = energy, left
        if not low < ahead < high:
            ahead = 4.0 * energy if high == math.inf else math.sqrt(max(low, 1e-2 * high) * high)
        energy = ahead
    return math.nan


@njit(**KEPT)
def _sample(
    task: Task,
    heading: float,
    guess: float,
    tolerance: float,
    passages: Any,
    row: Any,
) -> None:
    """Write heading, speed at the hole and the misses of the passages [rad] of one direction, or NaN."""
    ground, accel, question = task
    row[:] = math.nan
    row[0] = heading
    speed = _speed_for(task, heading, guess, tolerance)
    if speed == speed:
        row[1] = speed
        back(ground, accel, question, heading, speed, passages)
        row[2:] = passages[:, MISS]


@njit(**KEPT)
def _must_halve(one: Any, other: Any, narrow: float) -> bool:
    """Return whether a ball from the ball's place may lie hidden between two samples."""
    width = other[0] - one[0]
    if width <= narrow:
        return False
    for c in range(2, FIGURES):
        a, b = one[c], other[c]
        if (a == a) != (b == b):
            if width > EDGE_RAD:
                return True
        elif JUMP_RAD < abs(b - a) < 2.0 * math.pi - JUMP_RAD and (c < 2 + PASSAGES or width > PARTED_RAD):
            return True
    return False


@njit(**KEPT)
def _between_brackets(
    task: Task,
    one: Any,
    other: Any,
    c: int,
    passages: Any,
    line: Any,
) -> bool:
    """Write the same line as `_settle` between brackets, the speed found for each direction by itself.

    The ends may have been found by long steps: they are moved apart until the ball lies between them. From
    there by false position, with the weight of an end that stays halved (the method of Illinois), and by
    halving now and then.
    """
    ends = np.empty((2, FIGURES))
    low, high = one[0], other[0]
    for _ in range(WIDENINGS):
        aside = high - low
        _sample(task, low, one[1], FINE, passages, ends[0])
        _sample(task, high, one[1], FINE, passages, ends[1])
        if ends[0, 2 + c] * ends[1, 2 + c] <= 0.0:
            break
        low, high = low - aside, high + aside
    if not ends[0, 2 + c] * ends[1, 2 + c] <= 0.0:
        return False
    miss_low, miss_high, speed = ends[0, 2 + c], ends[1, 2 + c], ends[0, 1]
    jump, least, kept = max(abs(miss_low), abs(miss_high)), math.inf, 0.0
    for i in range(MOST_TRIES):
        heading = high - miss_high * (high - low) / (miss_high - miss_low)
        if i % 3 == 2 or not low < heading < high:
            heading = 0.5 * (low + high)
        _sample(task, heading, speed, FINE, passages, ends[0])
        speed, miss = ends[0, 1], ends[0, 2 + c]
        least = min(least, abs(miss))
        if (
            not speed > 0.0
            or not abs(miss) < 0.5 * math.pi
            or (i >= JUMP_TRIES and least > JUMP_SHARE * jump)
        ):
            return False
        if abs(miss) * task[2][LENGTH] <= CLOSE_M:
            line[0], line[1] = heading, speed
            line[2:] = passages[c]
            return True
        if (miss > 0.0) == (miss_high > 0.0):
            high, miss_high = heading, miss
            miss_low *= 0.5 if kept > 0.0 else 1.0
            kept = 1.0
        else:
            low, miss_low = heading, miss
            miss_high *= 0.5 if kept < 0.0 else 1.0
            kept = -1.0
    return False


@njit(**KEPT)
def _settle(
    task: Task,
    one: Any,
    other: Any,
    c: int,
    passages: Any,
    line: Any,
) -> bool:
    """Write the line between two samples whose passage `c` lies on either side of the ball, if there is one.

    Both unknowns at once, by Newton's method with difference quotients.
    """
    ground, accel, question = task
    low, high = one[0], other[0]
    miss_low, miss_high = one[2 + c], other[2 + c]
    share = miss_low / (miss_low - miss_high)
    heading, speed = low + share * (high - low), one[1] + share * (other[1] - one[1])
    by_speed, asked = question[BY_SPEED] > 0.0, question[ASKED]
    middle, turn = 0.5 * (low + high), 1e-4 * (high - low)
    for _ in range(NEWTON_TRIES):
        back(ground, accel, question, heading, speed, passages)
        miss = passages[c, MISS]
        excess = speed - asked if by_speed else forth(ground, accel, question, heading, speed) - asked
        if abs(miss) * question[LENGTH] <= CLOSE_M and abs(excess) <= FINE * asked:
            line[0], line[1] = heading, speed
            line[2:] = passages[c]
            return True
        faster = 1e-4 * speed
        back(ground, accel, question, heading + turn, speed, passages)
        a = (passages[c, MISS] - miss) / turn
        back(ground, accel, question, heading, speed + faster, passages)
        b = (passages[c, MISS] - miss) / faster
        p, q = 0.0, 1.0
        if not by_speed:
            p = (forth(ground, accel, question, heading + turn, speed) - asked - excess) / turn
            q = (forth(ground, accel, question, heading, speed + faster) - asked - excess) / faster
        whole = a * q - b * p
        if not abs(whole) > 0.0:
            break
        heading, speed = heading - (q * miss - b * excess) / whole, speed - (a * excess - p * miss) / whole
        if not (abs(heading - middle) <= high - low and 0.0 < speed < math.inf):
            break
    return bool(_between_brackets(task, one, other, c, passages, line))


@njit(**KEPT)
def _dip(
    task: Task,
    before: Any,
    here: Any,
    after: Any,
    c: int,
    passages: Any,
    row: Any,
) -> None:
    """Write the sample between two others whose passage `c` is nearest the ball (golden section)."""
    low, high = before[0], after[0]
    side = 1.0 if here[2 + c] > 0.0 else -1.0
    for _ in range(DIPS):
        a, b = low + SECTION * (high - low), high - SECTION * (high - low)
        _sample(task, a, here[1], ROUGH, passages, row)
        miss_a = side * row[2 + c]
        _sample(task, b, here[1], ROUGH, passages, row)
        miss_b = side * row[2 + c]
        if miss_b < 0.0:
            return
        if miss_a < miss_b:
            high = b
        else:
            low = a
    _sample(task, 0.5 * (low + high), here[1], ROUGH, passages, row)


@njit(**KEPT)
def _dips(before: float, here: float, after: float) -> bool:
    """Return whether the miss may come to nought near the middle one of three samples, and turn back."""
    same = (before < 0.0) == (here < 0.0) and (here < 0.0) == (after < 0.0)
    nearest = abs(here) <= abs(before) and abs(here) <= abs(after)
    return same and nearest and abs(here) < 0.5 * max(abs(before - here), abs(after - here))


@njit(**KEPT)
def _round_about(task: Task, guess: float, sweep: Any, rows: Any) -> int:
    """Write samples of the directions of a sweep in their order, halved where they must be; count them."""
    passages = np.empty((PASSAGES + 1, 5))
    waiting = np.empty((STACK, FIGURES))
    first, width, steps = sweep[0], sweep[1], int(sweep[2])
    _sample(task, first, guess, ROUGH, passages, rows[0])
    count, speed = 1, guess
    for i in range(1, steps + 1):
        heading = first + i / steps * width
        _sample(task, heading, speed, ROUGH, passages, waiting[0])
        depth = 1
        while depth > 0 and count < SAMPLES:
            here = waiting[depth - 1]
            if depth < STACK and _must_halve(rows[count - 1], here, sweep[3]):
                heading = 0.5 * (rows[count - 1, 0] + here[0])
                _sample(task, heading, speed, ROUGH, passages, waiting[depth])
                depth += 1
            else:
                rows[count] = here
                count += 1
                depth -= 1
                if here[1] > 0.0:
                    speed = here[1]
    return count


@njit(**KEPT)
def search(ground: Any, accel: Any, question: Any, guess: float, sweep: Any) -> NDArray[np.float64]:
    """Return all lines to the hole at the pace asked whose direction at the hole lies in a sweep.

    Parameters
    ----------
    ground : Ground
        The surface's compiled form.
    accel : ndarray
        `Accelerations.row`: drag, grain east and north [m/s^2], wind east and north [m/s].
    question : ndarray
        What is asked, as `arrivals` takes it.
    guess : float
        Speed at the hole [m/s] near which that of a roll-past is looked for first.
    sweep : ndarray
        Direction at the hole where it begins and how far it goes [rad], counter-clockwise; the steps it is
        begun with, and the width [rad] below which none is halved.

    Returns
    -------
    ndarray
        Rows of heading [rad] and speed [m/s] at the hole and the figures of the passage through the ball's
        place, shape (n, 7).
    """
    rough_question = question.copy()
    rough_question[SHARE], rough_question[STEP] = COARSER * question[SHARE], COARSER * question[STEP]
    task, rough = (ground, accel, question), (ground, accel, rough_question)
    rows, low = np.empty((SAMPLES, FIGURES)), np.empty(FIGURES)
    passages, lines = np.empty((PASSAGES + 1, 5)), np.empty((LINES, 7))
    count, found, failed = _round_about(rough, guess, sweep, rows), 0, 0
    for i in range(count - 1):
        for c in range(PASSAGES):
            a, b = rows[i, 2 + c], rows[i + 1, 2 + c]
            crosses = (a < 0.0) != (b < 0.0) and abs(b - a) <= JUMP_RAD
            if crosses and found < LINES and failed < FAILURES:
                settled = _settle(task, rows[i], rows[i + 1], c, passages, lines[found])
                found, failed = found + settled, failed + (not settled)
            if i > 0 and found < LINES - 1 and _dips(rows[i - 1, 2 + c], a, b):
                _dip(rough, rows[i - 1], rows[i], rows[i + 1], c, passages, low)
                if low[2 + c] * a < 0.0:
                    found += _settle(task, rows[i - 1], low, c, passages, lines[found])
                    found += _settle(task, low, rows[i + 1], c, passages, lines[found])
    return lines[:found].copy()
