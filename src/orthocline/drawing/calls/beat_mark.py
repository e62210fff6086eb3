"""The beat mark on the plan: a stroke across the ball's way where it is one beat after the strike."""

import numpy as np

from orthocline.core.calls import BeatMark
from orthocline.drawing.calls.layer import Layer, PuttSheet
from orthocline.drawing.labels import Wanted
from orthocline.drawing.roll.hole_frame import way_spots
from orthocline.drawing.scene import Sign, Spot, Strokes, spots_of

PATH = 5
"""Column of a track's path length."""
HALF = 13.0


def layer(sheet: PuttSheet, mark: BeatMark | None) -> Layer:
    """Return the layer of a beat mark."""
    if mark is None:
        return Layer()
    rows = sheet.read.track.samples
    place = np.array([[np.interp(mark.along_m, rows[:, PATH], rows[:, axis]) for axis in (1, 2)]])
    x, y = way_spots(sheet.putt, place, sheet.frame)[0].tolist()
    across = Strokes(spots_of((x - HALF, y), (x + HALF, y)), Sign.DO, 4.0, name="beat-mark")
    return Layer((across,), (Wanted("one beat", Spot(x, y), sheet.inside, Sign.DO),))
