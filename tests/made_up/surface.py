"""Ground that nobody has: an endless trough along the x axis, as deep as a parabola."""

from dataclasses import dataclass
from functools import cached_property
from typing import Annotated, Any, Literal

import numpy as np
from numba import njit
from pydantic import Field

from orthocline.core.ground.surface import GRADIENT
from orthocline.formats.surface_parts import SURFACES, SurfaceKind, SurfacePart

NAME = "trough"


@njit(GRADIENT)
def trough_slope(_x_m, y_m, parameters):
    return 0.0, y_m / parameters[0]


@dataclass(frozen=True)
class Trough:
    radius_m: float

    slope = staticmethod(trough_slope)
    steepest = 0.0
    step_m = 0.1
    jumps = np.empty((0, 3))

    @cached_property
    def parameters(self):
        return np.array([self.radius_m])

    def levels_m(self, _x_m, y_m):
        return y_m**2 / (2.0 * self.radius_m)


class TroughPart(SurfacePart):
    kind: Literal["trough"]
    radius_m: Annotated[float, Field(ge=1.0)]

    def surface(self, _ball_m: list[float], _hole_m: list[float]) -> Any:
        return Trough(self.radius_m)


def add(monkeypatch):
    kind = SurfaceKind(NAME, Trough, TroughPart, lambda trough, _ends: {"radius_m": trough.radius_m})
    monkeypatch.setitem(SURFACES, NAME, kind)
