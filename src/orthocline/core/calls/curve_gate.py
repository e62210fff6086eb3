"""The curve gate: where the ball passes two thirds of the way."""

import numpy as np

from orthocline.core.calls.marks import Mark, along_m, between_rows, mark_after, mark_members
from orthocline.core.calls.school import School
from orthocline.core.roll import Read

GATE_SHARE = 2.0 / 3.0
"""The gate lies at two thirds of the way to the hole, along the ball-hole line (as practised)."""


def curve_gate_of(read: Read) -> Mark:
    """Return the point where the ball's way first passes two thirds of the distance to the hole.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    Mark
        The gate, on the ball's way.
    """
    putt, track = read.putt, read.track
    gate_m = GATE_SHARE * putt.length_m
    first = int(np.argmax(along_m(putt, track.samples) >= gate_m))
    fine = between_rows(track, first - 1, 1)
    return mark_after(putt, track, float(np.interp(gate_m, along_m(putt, fine), fine[:, 0])))


SCHOOL = School(
    "curve_gate", lambda read, _: curve_gate_of(read), lambda gate: {"curve_gate": mark_members(gate)}
)
