"""The ground: how it slopes at each place."""

from orthocline.core.ground.grid import LEAST_NODES, Grid, grid_slope
from orthocline.core.ground.stations import Station, Stations, stations_slope
from orthocline.core.ground.surface import Plane, Surface, mean_gradient, plane_from_grade, plane_slope

__all__ = [
    "LEAST_NODES",
    "Grid",
    "Plane",
    "Station",
    "Stations",
    "Surface",
    "grid_slope",
    "mean_gradient",
    "plane_from_grade",
    "plane_slope",
    "stations_slope",
]
