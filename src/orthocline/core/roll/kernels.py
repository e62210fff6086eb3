"""The integrator and the search built for each kind of ground: one source, a copy a kind.

A step pays for no choice of its slope: the function is built in where the step is compiled. The kinds that
ship are compiled once, steps and all in one piece, and kept on disk. Another kind is compiled at its first
roll, in pieces, which takes a third of the time to compile and half as long again to run.
"""

from functools import lru_cache
from typing import Any, NamedTuple

import numpy as np
from numba import njit, types
from numpy.typing import NDArray

from orthocline.core.ground import Surface, grid_slope, plane_slope, stations_slope
from orthocline.core.roll.arrivals import BACK, F8, FORTH, ROW, ROWS, back_on, forth_on
from orthocline.core.roll.integrator import push_on, step_on, stride_on, trace_on
from orthocline.core.roll.outcomes import outcomes_on

STEP = types.UniTuple(F8, 6)(ROW, ROW, F8, F8, F8, F8, F8)
STRIDE = F8(ROW, ROW, F8, F8, F8, F8, F8, F8)
PUSH = types.UniTuple(F8, 2)(ROW, ROW, F8, F8)
TRACE = ROWS(ROW, ROW, ROW, ROW)
OUTCOMES = ROWS(ROW, ROW, ROW, ROWS)


class Kernels(NamedTuple):
    """What is compiled for one kind of ground.

    Attributes
    ----------
    trace, forth, back, outcomes : callable
        `trace_on`, `forth_on`, `back_on` and `outcomes_on` with its slope built in.
    """

    trace: Any
    forth: Any
    back: Any
    outcomes: Any


@njit(inline="always")
def _step_plane(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
    """Return `step_on` a plane."""
    return step_on(plane_slope, ground, accel, h, x, y, vx, vy)


@njit(STEP, cache=True, nogil=True)
def _part_plane(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
    """Return `step_on` a plane, compiled by itself."""
    return step_on(plane_slope, ground, accel, h, x, y, vx, vy)


@njit(inline="always")
def _stride_plane(
    ground: Any, accel: Any, share: float, longest: float, x: float, y: float, vx: float, vy: float
) -> float:
    """Return `stride_on` a plane."""
    return stride_on(plane_slope, ground, accel, share, longest, x, y, vx, vy)


@njit(inline="always")
def _push_plane(ground: Any, accel: Any, x: float, y: float) -> tuple[float, float]:
    """Return `push_on` a plane."""
    return push_on(plane_slope, ground, accel, x, y)


@njit(TRACE, cache=True, nogil=True)
def _trace_plane(ground: Any, accel: Any, start: Any, limits: Any) -> NDArray[np.float64]:
    """Return `trace_on` a plane."""
    return trace_on(_step_plane, _stride_plane, ground, accel, start, limits)


@njit(FORTH, cache=True, nogil=True)
def _forth_plane(ground: Any, accel: Any, question: Any, heading: float, speed: float) -> float:
    """Return `forth_on` a plane."""
    return forth_on(_step_plane, _stride_plane, _push_plane, ground, accel, question, heading, speed)


@njit(BACK, cache=True, nogil=True)
def _back_plane(ground: Any, accel: Any, question: Any, heading: float, speed: float, passages: Any) -> None:
    """Write `back_on` a plane."""
    back_on(
        _step_plane,
        _part_plane,
        _stride_plane,
        _push_plane,
        ground,
        accel,
        question,
        heading,
        speed,
        passages,
    )


@njit(OUTCOMES, cache=True, nogil=True)
def _outcomes_plane(ground: Any, accel: Any, places: Any, launches: Any) -> NDArray[np.float64]:
    """Return `outcomes_on` a plane."""
    return outcomes_on(_step_plane, _part_plane, _stride_plane, _push_plane, ground, accel, places, launches)


@njit(inline="always")
def _step_stations(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
    """Return `step_on` ground read at stations."""
    return step_on(stations_slope, ground, accel, h, x, y, vx, vy)


@njit(STEP, cache=True, nogil=True)
def _part_stations(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
    """Return `step_on` ground read at stations, compiled by itself."""
    return step_on(stations_slope, ground, accel, h, x, y, vx, vy)


@njit(inline="always")
def _stride_stations(
    ground: Any, accel: Any, share: float, longest: float, x: float, y: float, vx: float, vy: float
) -> float:
    """Return `stride_on` ground read at stations."""
    return stride_on(stations_slope, ground, accel, share, longest, x, y, vx, vy)


@njit(inline="always")
def _push_stations(ground: Any, accel: Any, x: float, y: float) -> tuple[float, float]:
    """Return `push_on` ground read at stations."""
    return push_on(stations_slope, ground, accel, x, y)


@njit(TRACE, cache=True, nogil=True)
def _trace_stations(ground: Any, accel: Any, start: Any, limits: Any) -> NDArray[np.float64]:
    """Return `trace_on` ground read at stations."""
    return trace_on(_step_stations, _stride_stations, ground, accel, start, limits)


@njit(FORTH, cache=True, nogil=True)
def _forth_stations(ground: Any, accel: Any, question: Any, heading: float, speed: float) -> float:
    """Return `forth_on` ground read at stations."""
    return forth_on(_step_stations, _stride_stations, _push_stations, ground, accel, question, heading, speed)


@njit(BACK, cache=True, nogil=True)
def _back_stations(
    ground: Any, accel: Any, question: Any, heading: float, speed: float, passages: Any
) -> None:
    """Write `back_on` ground read at stations."""
    back_on(
        _step_stations,
        _part_stations,
        _stride_stations,
        _push_stations,
        ground,
        accel,
        question,
        heading,
        speed,
        passages,
    )


@njit(OUTCOMES, cache=True, nogil=True)
def _outcomes_stations(ground: Any, accel: Any, places: Any, launches: Any) -> NDArray[np.float64]:
    """Return `outcomes_on` ground read at stations."""
    return outcomes_on(
        _step_stations, _part_stations, _stride_stations, _push_stations, ground, accel, places, launches
    )


@njit(inline="always")
def _step_grid(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
    """Return `step_on` a grid."""
    return step_on(grid_slope, ground, accel, h, x, y, vx, vy)


@njit(STEP, cache=True, nogil=True)
def _part_grid(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
    """Return `step_on` a grid, compiled by itself."""
    return step_on(grid_slope, ground, accel, h, x, y, vx, vy)


@njit(inline="always")
def _stride_grid(
    ground: Any, accel: Any, share: float, longest: float, x: float, y: float, vx: float, vy: float
) -> float:
    """Return `stride_on` a grid."""
    return stride_on(grid_slope, ground, accel, share, longest, x, y, vx, vy)


@njit(inline="always")
def _push_grid(ground: Any, accel: Any, x: float, y: float) -> tuple[float, float]:
    """Return `push_on` a grid."""
    return push_on(grid_slope, ground, accel, x, y)


@njit(TRACE, cache=True, nogil=True)
def _trace_grid(ground: Any, accel: Any, start: Any, limits: Any) -> NDArray[np.float64]:
    """Return `trace_on` a grid."""
    return trace_on(_step_grid, _stride_grid, ground, accel, start, limits)


@njit(FORTH, cache=True, nogil=True)
def _forth_grid(ground: Any, accel: Any, question: Any, heading: float, speed: float) -> float:
    """Return `forth_on` a grid."""
    return forth_on(_step_grid, _stride_grid, _push_grid, ground, accel, question, heading, speed)


@njit(BACK, cache=True, nogil=True)
def _back_grid(ground: Any, accel: Any, question: Any, heading: float, speed: float, passages: Any) -> None:
    """Write `back_on` a grid."""
    back_on(
        _step_grid, _part_grid, _stride_grid, _push_grid, ground, accel, question, heading, speed, passages
    )


@njit(OUTCOMES, cache=True, nogil=True)
def _outcomes_grid(ground: Any, accel: Any, places: Any, launches: Any) -> NDArray[np.float64]:
    """Return `outcomes_on` a grid."""
    return outcomes_on(_step_grid, _part_grid, _stride_grid, _push_grid, ground, accel, places, launches)


AHEAD = {
    plane_slope: Kernels(_trace_plane, _forth_plane, _back_plane, _outcomes_plane),
    stations_slope: Kernels(_trace_stations, _forth_stations, _back_stations, _outcomes_stations),
    grid_slope: Kernels(_trace_grid, _forth_grid, _back_grid, _outcomes_grid),
}


def kernels_of(surface: Surface) -> Kernels:
    """Return what is compiled for a surface's kind.

    Parameters
    ----------
    surface : Surface
        The ground.

    Returns
    -------
    Kernels
        For its slope.
    """
    return AHEAD.get(surface.slope) or _late(surface.slope)


@lru_cache
def _late(slope: Any) -> Kernels:
    """Return the kernels of a kind of ground that was not compiled ahead."""

    @njit(STEP, nogil=True)
    def step(ground: Any, accel: Any, h: float, x: float, y: float, vx: float, vy: float) -> Any:
        return step_on(slope, ground, accel, h, x, y, vx, vy)

    @njit(STRIDE, nogil=True)
    def stride(
        ground: Any, accel: Any, share: float, longest: float, x: float, y: float, vx: float, vy: float
    ) -> float:
        return stride_on(slope, ground, accel, share, longest, x, y, vx, vy)

    @njit(PUSH, nogil=True)
    def push(ground: Any, accel: Any, x: float, y: float) -> tuple[float, float]:
        return push_on(slope, ground, accel, x, y)

    @njit(TRACE, nogil=True)
    def trace(ground: Any, accel: Any, start: Any, limits: Any) -> NDArray[np.float64]:
        return trace_on(step, stride, ground, accel, start, limits)

    @njit(FORTH, nogil=True)
    def forth(ground: Any, accel: Any, question: Any, heading: float, speed: float) -> float:
        return forth_on(step, stride, push, ground, accel, question, heading, speed)

    @njit(BACK, nogil=True)
    def back(ground: Any, accel: Any, question: Any, heading: float, speed: float, passages: Any) -> None:
        back_on(step, step, stride, push, ground, accel, question, heading, speed, passages)

    @njit(OUTCOMES, nogil=True)
    def outcomes(ground: Any, accel: Any, places: Any, launches: Any) -> NDArray[np.float64]:
        return outcomes_on(step, step, stride, push, ground, accel, places, launches)

    return Kernels(trace, forth, back, outcomes)
