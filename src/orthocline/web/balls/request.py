"""What is asked of a watched ball: whose it was, where it started and stopped, what was seen of it."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Final

from werkzeug.datastructures import MultiDict

from orthocline.core.account import UsualPasts
from orthocline.core.balls import Way
from orthocline.core.roll import RANGES
from orthocline.services.read.balls import Watched
from orthocline.web.balls.forms import BALL_FIELDS, LARGEST_TURN_RAD, BallForm
from orthocline.web.shared.asked import Asked, asked
from orthocline.web.shared.placing import Moved, moved_of, nudged_of
from orthocline.wording.ground.balls import rest_text, start_text, turn_text
from orthocline.wording.ground.dial import Placed
from orthocline.wording.wording import Wording

STEP_M: Final = 0.1


@dataclass(frozen=True)
class BallAsked:
    """What is asked.

    Attributes
    ----------
    asked : Asked
        The own read.
    ball : Watched or None
        None while something cannot be read.
    typed : dict
        The fields of the ball as they are shown.
    errors : dict
        What is wrong with them, by field.
    """

    asked: Asked
    ball: Watched | None
    typed: dict[str, str]
    errors: dict[str, str] = field(default_factory=dict)

    @property
    def own(self) -> bool:
        """Whether it is the golfer's own ball."""
        return self.typed["whose"] == "own"


def ball_of(
    arguments: Mapping[str, str], wording: Wording, start: Mapping[str, str], usual: UsualPasts | None
) -> BallAsked:
    """Return what an address asks, after a drag or a nudge."""
    wanted = asked(arguments, wording, start, usual)
    given = {name: arguments[name] for name in BALL_FIELDS if name in arguments}
    form = BallForm(MultiDict(given), meta={"wording": wording})
    if wanted.read is not None:
        form.length_m = wanted.read.putt.length_m
    readable = form.validate()
    typed = {one.name: one.data or "" for one in form}
    if wanted.read is None or not readable:
        errors = {one.name: str(one.errors[0]) for one in form if one.errors}
        return BallAsked(wanted, None, typed, errors)
    ball = form.ball
    moved = moved_of(arguments) or _nudge(arguments, ball)
    ball = _moved(ball, moved) if moved else ball
    return BallAsked(wanted, ball, _texts(ball, typed, moved.handle if moved else "", wording))


def _nudge(arguments: Mapping[str, str], ball: Watched) -> Moved | None:
    """Return a nudge by keys as a move: ten centimetres."""
    nudged = nudged_of(arguments)
    if nudged is None or nudged.handle not in ("start", "stop"):
        return None
    beyond, right = ball.way.start_m if nudged.handle == "start" else ball.way.finish_m
    return Moved(nudged.handle, right + STEP_M * nudged.right, beyond + STEP_M * nudged.up, held=False)


def _moved(ball: Watched, moved: Moved) -> Watched:
    """Return a ball after a drag; one that cannot be changes nothing."""
    way, to = ball.way, (moved.beyond_m, moved.right_m)
    if moved.handle == "start" and ball.meant_past_m is None:
        near, far = RANGES.length_m
        return replace(ball, way=Way(to, way.finish_m)) if near <= math.hypot(*to) <= far else ball
    if moved.handle == "stop" and math.dist(to, way.start_m) > RANGES.length_m[0]:
        return replace(ball, way=Way(way.start_m, to))
    if moved.handle == "line":
        return replace(ball, start_right_rad=_seen_turn(way, way.start_m, to))
    if moved.handle == "last":
        return replace(ball, last_right_rad=_seen_turn(way, to, way.finish_m))
    return ball


def _seen_turn(way: Way, from_m: tuple[float, float], to_m: tuple[float, float]) -> float:
    """Return the direction from one place to another, to the right of a ball's own line."""
    toward = math.atan2(to_m[1] - from_m[1], to_m[0] - from_m[0])
    turn = math.remainder(toward - way.heading_rad, 2.0 * math.pi)
    return min(max(turn, -LARGEST_TURN_RAD), LARGEST_TURN_RAD)


def _texts(ball: Watched, typed: dict[str, str], handle: str, wording: Wording) -> dict[str, str]:
    """Return the fields as they stand after a drag: what was dragged in figures, the rest as it was typed."""
    beyond, right = ball.way.start_m
    place = Placed(math.hypot(beyond, right), math.atan2(-right, -beyond))
    texts = dict(typed)
    if handle == "start" or not typed["start"]:
        texts["start"] = start_text(place, wording)
    if handle in ("start", "stop") or not typed["stopped"]:
        texts["stopped"] = rest_text(ball.way.rest_m, wording)
    if handle == "line" and ball.start_right_rad is not None:
        texts["seen_line"] = turn_text(ball.start_right_rad)
    if handle == "last" and ball.last_right_rad is not None:
        texts["seen_last"] = turn_text(ball.last_right_rad)
    return texts
