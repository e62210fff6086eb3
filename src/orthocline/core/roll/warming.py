"""The physics compiled ahead for the kinds of ground that ship, so that no first reader waits for it."""

import math

import numpy as np

from orthocline.core.ground import Grid, Plane, Station, Stations, Surface
from orthocline.core.relief import oval, pour
from orthocline.core.roll.putt import Point, Putt, RollPast, Wind
from orthocline.core.roll.reading import read
from orthocline.core.roll.sensitivity import sensitivity_of
from orthocline.core.survey import SlopeReading, Survey

BALL_M, HOLE_M = (0.0, 0.0), (3.0, 0.0)
KINDS: tuple[Surface, ...] = (
    Plane(0.02, math.radians(-90.0)),
    Stations(BALL_M, HOLE_M, (Station(0.0, 0.02, 0.0), Station(1.0, 0.01, 0.0))),
    Grid((-5.0, -5.0), 5.0, np.outer(np.linspace(0.2, 0.0, 4), np.ones(4))),
)
"""A piece of each kind of ground that ships."""


def compile_ahead() -> None:
    """Compile what works on the ground, for each kind of it, and keep that on disk.

    Returns
    -------
    None
        Nothing.
    """
    for surface in KINDS:
        putt = Putt(Point(*BALL_M), Point(*HOLE_M), surface, 10.0, RollPast(0.3), wind=Wind(2.0, 0.0))
        solved = read(putt)
        _ = solved.make_window, sensitivity_of(putt, solved.aim)
    survey = Survey((SlopeReading((0.0, 0.0), 0.02, 0.0, 0.01),), (BALL_M, HOLE_M))
    _ = pour(survey, oval(10.0, 10.0), BALL_M)
