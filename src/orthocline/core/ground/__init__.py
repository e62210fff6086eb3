"""The ground: how it slopes at each place."""

from orthocline.core.ground.built_in import Ground, ground_of, slope_at
from orthocline.core.ground.field import slope_covariance
from orthocline.core.ground.grid import LEAST_NODES, Grid
from orthocline.core.ground.phone import STEEPEST_READ_RAD, PhoneLevel, phone_level
from orthocline.core.ground.reach import REACH_M, LineDoubt, LineReadings
from orthocline.core.ground.readings import UNSAID, Conflict, Reading, Said, conflicts_of, stations_of
from orthocline.core.ground.senses import LEAST_PAIRS, Sense, SlopePair, sense
from orthocline.core.ground.stations import Station, Stations
from orthocline.core.ground.surface import Plane, Surface, mean_gradient, plane_from_grade
from orthocline.core.ground.walk import (
    CLOCK_S,
    DECEIVING_SLOPE,
    STOPS,
    USUAL_STOPS,
    Ask,
    Kind,
    Stop,
    noted_by,
)

__all__ = [
    "CLOCK_S",
    "DECEIVING_SLOPE",
    "LEAST_NODES",
    "LEAST_PAIRS",
    "REACH_M",
    "STEEPEST_READ_RAD",
    "STOPS",
    "UNSAID",
    "USUAL_STOPS",
    "Ask",
    "Conflict",
    "Grid",
    "Ground",
    "Kind",
    "LineDoubt",
    "LineReadings",
    "PhoneLevel",
    "Plane",
    "Reading",
    "Said",
    "Sense",
    "SlopePair",
    "Station",
    "Stations",
    "Stop",
    "Surface",
    "conflicts_of",
    "ground_of",
    "mean_gradient",
    "noted_by",
    "phone_level",
    "plane_from_grade",
    "sense",
    "slope_at",
    "slope_covariance",
    "stations_of",
]
