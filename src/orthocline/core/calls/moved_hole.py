"""The moved hole: where the cup would be for the same pace on the level."""

from orthocline.core.calls.level_twin import level_twin_of
from orthocline.core.calls.school import School
from orthocline.core.roll import Read


def moved_hole_m(read: Read) -> float:
    """Return how far [m] beyond the hole the moved one lies, negative if short of it.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    float
        Distance beyond the hole [m].
    """
    return level_twin_of(read).plays_like_m - read.putt.length_m


SCHOOL = School("moved_hole", lambda read, _: moved_hole_m(read))
