"""The one root finder: bracketed, bounded, and usable inside compiled code and outside."""

from collections.abc import Callable
from typing import Any

from numba import njit

from orthocline.core.compiled import KEPT

MAX_STEPS = 200
RootFinder = Callable[[Any, float, float, float], float]


def root_finder(function: Any) -> RootFinder:
    """Return `find(parameters, low, high, tolerance)`: where `function(x, parameters)` changes sign.

    Chandrupatla's method (1997, Adv. Eng. Softw. 28, 145): inverse quadratic interpolation where it
    is safe, halving where it is not. The finder raises ValueError when the function has the same sign
    at both ends, or when it does not settle in `MAX_STEPS`.

    Parameters
    ----------
    function : callable
        Takes x and parameters, and changes sign once between the ends.

    Returns
    -------
    callable
        The finder; its tolerance is in the unit of x.
    """

    def find(parameters: Any, low: float, high: float, tolerance: float) -> float:
        a, b = high, low
        fa, fb = function(a, parameters), function(b, parameters)
        if fb == 0.0:
            return b
        if fa == 0.0:
            return a
        if (fa > 0.0) == (fb > 0.0):
            raise ValueError("no change of sign between the ends")
        c, fc = a, fa
        fraction = 0.5
        for _ in range(MAX_STEPS):
            x = a + fraction * (b - a)
            fx = function(x, parameters)
            if (fx > 0.0) == (fa > 0.0):
                c, fc = a, fa
            else:
                c, b, fc, fb = b, a, fb, fa
            a, fa = x, fx
            limit = tolerance / abs(b - a) if b != a else 1.0
            if fa == 0.0 or limit > 0.5:
                return a if abs(fa) < abs(fb) else b
            xi = (a - b) / (c - b)
            phi = (fa - fb) / (fc - fb)
            fraction = 0.5
            if phi * phi < xi and (1.0 - phi) * (1.0 - phi) < 1.0 - xi:
                near = fa / (fb - fa) * fc / (fb - fc)
                far = (c - a) / (b - a) * fa / (fc - fa) * fb / (fc - fb)
                fraction = near + far
            fraction = min(1.0 - limit, max(limit, fraction))
        raise ValueError("the root did not settle")

    return find


def compiled_root_finder(function: Any) -> Any:
    """Return the `root_finder` of a compiled function, compiled with it built in.

    Parameters
    ----------
    function : callable
        A compiled function of x and parameters.

    Returns
    -------
    callable
        The finder, to be called from compiled code and outside.
    """
    return njit(**KEPT)(root_finder(function))
