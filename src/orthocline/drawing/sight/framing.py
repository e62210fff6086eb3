"""What is looked at, from where, and the sight in which what matters of it is in view."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import NamedTuple

import numpy as np

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, GolferFigures
from orthocline.core.estimate import Span
from orthocline.core.ground import STOPS, Stop
from orthocline.core.roll import OwnRoll, Putt, Read
from orthocline.core.sight import Stand, eye_of, horizon_of, stand_at
from orthocline.core.sure import Sureness
from orthocline.drawing.calls import reach_of
from orthocline.drawing.ground.readings import Marks
from orthocline.drawing.roll.hole_frame import hole_frame
from orthocline.drawing.scene import Spot, Spots, spots_of
from orthocline.drawing.sight.sight import Sight

SHAPES = {
    "beside": (640.0, 400.0),
    "tall": (400.0, 400.0),
    "wide": (860.0, 400.0),
    "alone": (520.0, 420.0),
    "low": (520.0, 300.0),
}
"""Sheets: beside the plan, on an upright phone, on one that lies, by itself, and one over another."""
BEYOND_M = 3.0
"""The ground is drawn so far beyond the putt."""
SIDES, TOP, FOOT, LOW_FOOT = 70.0, 84.0, 34.0, 96.0
"""Room beside, above and below what must be in view; below it more on the sheet that words lie over."""
LEAST_FOCAL, MOST_FOCAL = 260.0, 1400.0
WIDEST, LOWEST, LOWEST_HELD = 1.0, 1.1, 0.85
"""What is seen further aside or down than this [ratio] need not be in view, or where something is held up."""
HELD_UP = 0.14
"""What is held up reaches so far above the hole [ratio]."""
FAR_M = 3.0
"""The range of the aim need be in view until so far from hole and aim."""


@dataclass(frozen=True)
class Looking:
    """From where one looks, and how.

    Attributes
    ----------
    stop : Stop
        Where one stands.
    turned_rad, nod_rad : float
        How far the head is turned to the right, and down [rad].
    crouching : bool
    flag : bool
        Whether the flagstick is in.
    shape : str
        The sheet, of `SHAPES`.
    side : float
        Beside the line one stands on the right of it (1), the left (-1), or else on the low side (0).
    """

    stop: Stop = STOPS["ball"]
    turned_rad: float = 0.0
    nod_rad: float = 0.0
    crouching: bool = False
    flag: bool = True
    shape: str = "beside"
    side: float = 0.0


@dataclass(frozen=True)
class PuttFacts:
    """What is known of a putt beside its ground: what there is to be seen.

    Attributes
    ----------
    read : Read or None
        None while it is held back.
    rolls : mapping
        Other launches that are rolled beside the read's, by what they are.
    sure : Sureness or None
    tries_m : sequence of float or None
        The golfer's candidate lines [m]; with them the fan of start lines stands in the band's place.
    golfer : GolferFigures
    lit : str
        The school whose layer is lit.
    marks : Marks or None
        Readings of the ground.
    impression_m : float or None
        The aim of a first impression [m], while the read is held back.
    says : str
        The putt in words.
    aside_m : float
        So far to both sides of the hole must be in view, while there is no read [m].
    horizon : bool
        Whether what is as high as the eye must be in view too.
    """

    read: Read | None = None
    rolls: Mapping[str, OwnRoll] = field(default_factory=dict)
    sure: Sureness | None = None
    tries_m: Sequence[float] | None = None
    golfer: GolferFigures = USUAL_GOLFER
    lit: str = ""
    marks: Marks | None = None
    impression_m: float | None = None
    says: str = ""
    aside_m: float = 0.0
    horizon: bool = False


class Framed(NamedTuple):
    """The sight, from where it is had, and how far from the eye the ground is drawn [m]."""

    sight: Sight
    stand: Stand
    reach_m: float


def framed(putt: Putt, facts: PuttFacts, looking: Looking) -> Framed:
    """Return the sight in which what matters is in view before the head is turned."""
    stand = _stand(putt, facts, looking)
    straight = eye_of(putt, stand)
    places = _in_view(putt, facts)
    level = putt.levels_m(*places.T)
    seen = straight.project(np.column_stack([places, level]))
    held = looking.stop.behind_m < 0.0 and _holds_up(facts)
    lowest = LOWEST_HELD if held else LOWEST
    seen = seen[(np.abs(seen[:, 0]) <= WIDEST) & (seen[:, 1] <= lowest)]
    if not len(seen):
        seen = np.array([(0.0, 0.5)])
    (left, top), (right, low) = seen.min(axis=0).tolist(), seen.max(axis=0).tolist()
    if held:
        top -= HELD_UP
    if facts.horizon:
        top = min(top, 0.0)
    width, height = SHAPES[looking.shape]
    foot = LOW_FOOT if looking.shape == "wide" else FOOT
    wide, tall = width - 2.0 * SIDES, height - TOP - foot
    focal = min(wide / max(right - left, 1e-6), tall / max(low - top, 1e-6), MOST_FOCAL)
    focal = max(focal, LEAST_FOCAL)
    x = 0.5 * width - 0.5 * focal * (left + right)
    y = TOP + 0.5 * (tall - focal * (low - top)) - focal * top
    eye = eye_of(putt, stand, turned_rad=looking.turned_rad)
    ahead = Spot(x, y - focal * math.tan(looking.nod_rad))
    reach = _reach_m(putt, stand)
    return Framed(Sight(putt, eye, horizon_of(putt, eye, reach), focal, ahead), stand, reach)


def _stand(putt: Putt, facts: PuttFacts, looking: Looking) -> Stand:
    school = facts.lit if facts.read else ""
    return stand_at(
        *(putt, looking.stop, facts.golfer),
        school=school,
        crouching=looking.crouching,
        side=looking.side,
    )


def _holds_up(facts: PuttFacts) -> bool:
    """Return whether an instrument is held up before the eye."""
    return facts.lit in SCHOOLS and SCHOOLS[facts.lit].stance is not None


def _reach_m(putt: Putt, stand: Stand) -> float:
    """Return how far from the eye the ground is drawn [m]."""
    ends = ((0.0, 0.0), (putt.length_m, 0.0))
    return BEYOND_M + max(math.dist((stand.along_m, stand.right_m), end) for end in ends)


def _in_view(putt: Putt, facts: PuttFacts) -> Spots:
    """Return places that must be in view, along the line from the ball and right of it [m].

    Own aims are not among them: the picture keeps still while one is dragged.
    """
    length, read = putt.length_m, facts.read
    places = [(0.0, 0.0), (length, 0.0)]
    if read is None:
        return spots_of(*places, (length, -facts.aside_m), (length, facts.aside_m))
    for rows in (read.path, read.path_past):
        along, right = hole_frame(putt, rows[:: max(len(rows) // 12, 1), 1:3])
        places += zip((along + length).tolist(), right.tolist(), strict=True)
    aim, found = read.aim_right_m or 0.0, facts.sure.range if facts.sure else None
    span = found.aim_right_m if found and found.aim_right_m else Span(aim, aim)
    near, far = min(0.0, aim) - FAR_M, max(0.0, aim) + FAR_M
    places += [(length, min(max(one, near), far)) for one in (aim, span.least, span.most)]
    reach = reach_of(read, facts.golfer, facts.lit)
    return spots_of(*places, *(reach + np.array([length, 0.0])).tolist())
