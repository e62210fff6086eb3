"""The level twin: the same strike on level ground, as a coin to putt to."""

import math
from collections.abc import Mapping
from dataclasses import asdict, dataclass
from typing import Any

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.school import Figures, Goes, School, Term, solved_aim
from orthocline.core.roll import Launch, Putt, Read, rolling_deceleration_mps2


@dataclass(frozen=True)
class LevelTwin:
    """Where the coin lies, seen from the ball.

    Attributes
    ----------
    plays_like_m : float
        Distance [m] from the ball to the coin along the launch line; the pace target is as far on the
        ball-hole line.
    along_m, right_m : float
        The coin along the ball-hole line from the ball, and to its right [m].
    """

    plays_like_m: float
    along_m: float
    right_m: float


def plays_like_m(read: Read, launch_speed_mps: float) -> float:
    """Return how far on level ground a strike would roll, less the read's roll-past.

    Parameters
    ----------
    read : Read
        The solved putt, whose green speed counts.
    launch_speed_mps : float
        Launch (rolling) speed [m/s] of the strike.

    Returns
    -------
    float
        Distance [m].
    """
    drag_mps2 = rolling_deceleration_mps2(read.putt.green_speed_ft)
    return launch_speed_mps**2 / (2.0 * drag_mps2) - (read.aim.past_m or 0.0)


def level_twin_of(read: Read) -> LevelTwin:
    """Return the coin to which the same strike would roll on level ground with the same roll-past.

    The strike stops there after v0^2/(2d); less the roll-past (0 where the ball would not rest) that is how
    far the putt plays.

    Parameters
    ----------
    read : Read
        The solved putt.

    Returns
    -------
    LevelTwin
        The coin.
    """
    plays_like = plays_like_m(read, read.launch_speed_mps)
    right_rad = read.launch_right_rad
    return LevelTwin(plays_like, plays_like * math.cos(right_rad), plays_like * math.sin(right_rad))


def _members(twin: LevelTwin) -> Mapping[str, Any]:
    return {"plays_like_m": twin.plays_like_m, "level_twin": asdict(twin)}


def level_speed_mps(putt: Putt, plays_like_m: float) -> float:
    """Return the launch that rolls so far on level ground, and the putt's roll-past on.

    Parameters
    ----------
    putt : Putt
        The putt, whose green speed and roll-past count.
    plays_like_m : float
        Distance [m], 0 or more.

    Returns
    -------
    float
        Launch (rolling) speed [m/s].
    """
    rolls_m = max(plays_like_m + (solved_aim(putt).past_m or 0.0), 0.0)
    return math.sqrt(2.0 * rolling_deceleration_mps2(putt.green_speed_ft) * rolls_m)


def _launch(putt: Putt, figures: Figures, _golfer: GolferFigures) -> Launch | None:
    along, right = putt.length_m + figures[0], figures[1]
    if not along:
        return None
    plays_like = math.copysign(math.hypot(along, right), along)
    return Launch(math.atan(right / along), level_speed_mps(putt, plays_like))


SCHOOL = School(
    "level_twin",
    lambda read, _: level_twin_of(read),
    _members,
    terms=(Term.BEYOND, Term.ASIDE),
    goes=(Goes.ROLL, Goes.AIM),
    figures=lambda read, twin: (twin.along_m - read.putt.length_m, twin.right_m),
    launch=_launch,
)
