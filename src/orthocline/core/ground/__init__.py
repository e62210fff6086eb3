"""The ground: how it slopes at each place."""

from orthocline.core.ground.surface import Plane, Surface, plane_from_grade, plane_slope

__all__ = [
    "Plane",
    "Surface",
    "plane_from_grade",
    "plane_slope",
]
