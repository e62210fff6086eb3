"""Ground as compiled code takes it: for each slope function a type of its own, so that it can be built in.

What is compiled for a type is kept on disk, where nothing but names can be: a type is known by the module,
the name and the code of its slope function.
"""

import sys
from functools import lru_cache
from hashlib import sha256
from typing import Any, NamedTuple

import numpy as np
from numba import types
from numba.core import cgutils
from numba.extending import (
    NativeValue,
    make_attribute_wrapper,
    models,
    overload,
    register_model,
    typeof_impl,
    unbox,
)
from numpy.typing import NDArray

from orthocline.core.ground.surface import Surface

PARAMETERS = types.float64[::1]


class Ground(NamedTuple):
    """A surface's slope function and the parameters that go with it.

    Attributes
    ----------
    slope : callable
        Compiled, of signature `GRADIENT`.
    parameters : ndarray
        What it is given besides the place.
    """

    slope: Any
    parameters: NDArray[np.float64]


def ground_of(surface: Surface) -> Ground:
    """Return a surface as compiled code takes it.

    Parameters
    ----------
    surface : Surface
        The surface.

    Returns
    -------
    Ground
        Its slope and parameters.
    """
    return Ground(surface.slope, surface.parameters)


def slope_at(ground: Ground, x_m: float, y_m: float) -> tuple[float, float]:
    """Return the gradient of the ground at a place; to be called from compiled code too.

    Parameters
    ----------
    ground : Ground
        The ground.
    x_m : float
        Place on the map, east [m].
    y_m : float
        Place on the map, north [m].

    Returns
    -------
    tuple of float
        (dz/dx, dz/dy) [ratio].
    """
    east, north = ground.slope(x_m, y_m, ground.parameters)
    return east, north


class _GroundType(types.Type):
    """Numba's type of the ground with one slope function."""

    def __init__(self, module: str, function: str, code: str) -> None:
        self.module, self.function = module, function
        super().__init__(f"Ground({module}.{function}, {code})")

    @property
    def slope(self) -> Any:
        """The slope function."""
        return getattr(sys.modules[self.module], self.function)


@lru_cache
def _type_of(slope: Any) -> _GroundType:
    """Return the type of the ground with a slope function."""
    written = slope.py_func.__code__
    code = sha256(repr((written.co_code, written.co_consts, written.co_names)).encode()).hexdigest()
    return _GroundType(slope.__module__, slope.__name__, code)


@typeof_impl.register(Ground)
def _typeof(ground: Ground, _context: Any) -> _GroundType:
    return _type_of(ground.slope)


@register_model(_GroundType)
class _GroundModel(models.StructModel):
    """In compiled code the parameters alone are left."""

    def __init__(self, manager: Any, kind: _GroundType) -> None:
        super().__init__(manager, kind, [("parameters", PARAMETERS)])  # type: ignore[no-untyped-call]


make_attribute_wrapper(_GroundType, "parameters", "parameters")


@unbox(_GroundType)
def _unbox(kind: _GroundType, value: Any, compiler: Any) -> NativeValue:
    """Hand the parameters over to compiled code."""
    array = compiler.pyapi.object_getattr_string(value, "parameters")
    parameters = compiler.unbox(PARAMETERS, array)
    compiler.pyapi.decref(array)
    ground = cgutils.create_struct_proxy(kind)(compiler.context, compiler.builder)
    ground.parameters = parameters.value
    return NativeValue(ground._getvalue(), is_error=parameters.is_error)


@overload(slope_at)
def _slope_built_in(ground: Any, x_m: Any, y_m: Any) -> Any:  # noqa: ARG001 (the names must be the same)
    """Return `slope_at` for one type of ground, to be compiled."""
    slope = ground.slope

    def built_in(ground: Any, x_m: Any, y_m: Any) -> Any:
        return slope(x_m, y_m, ground.parameters)

    return built_in
