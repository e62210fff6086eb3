"""An answered question in both drawings, with the model's ball and the golfer's own."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Any

from orthocline.core.calls import GolferFigures
from orthocline.core.roll import Putt, Track
from orthocline.core.train import Marked
from orthocline.drawing.roll.hole_frame import way_spots
from orthocline.drawing.roll.plan import Plan, plan
from orthocline.drawing.scene import Disc, Fill, Scene, Sign
from orthocline.drawing.sight.eyes import through_eyes
from orthocline.drawing.sight.framing import Looking, PuttFacts
from orthocline.drawing.sight.putt import ball_item
from orthocline.drawing.sight.rolling import RATE_HZ, rolling_rows
from orthocline.drawing.sight.sight import Sight
from orthocline.wording.wording import Wording

OWN_BALL = 7.0
OWN = "rolling-own"


@dataclass(frozen=True)
class Answered:
    """Both drawings, and where the balls are in them thirty times a second."""

    eyes: Scene
    plan: Scene
    rolls: list[dict[str, Any]]


def answered(found: Marked, golfer: GolferFigures, wording: Wording, *, says: str) -> Answered:
    """Return an answered question's putt, in words `says`."""
    solved, rolls = found.solved, {"your answer": found.rolled} if found.rolled else {}
    putt = solved.putt
    facts = PuttFacts(solved, rolls, golfer=golfer, says=says)
    eyes = through_eyes(putt, facts, Looking(shape="alone"), wording)
    above = plan(putt, solved, wording, rolls, says=says, golfer=golfer)
    scenes = eyes.scene, above.scene
    if found.rolled:
        ball = Disc(above.ball, OWN_BALL, Sign.REAL, Fill.OPEN, 2.2, name=OWN, hidden=True)
        scenes = _with(eyes.scene, ball_item(eyes.sight, OWN, Sign.REAL)), _with(above.scene, ball)
    return Answered(*scenes, list(_rolls(found, eyes.sight, above)))


def _with(scene: Scene, ball: Disc) -> Scene:
    return replace(scene, items=(*scene.items, ball))


def _rolls(found: Marked, sight: Sight, above: Plan) -> Iterator[dict[str, Any]]:
    """Yield each ball's way in each drawing; the hole ends it where it drops."""
    aim = found.solved.aim
    balls = [("rolling", found.solved.track, aim.time_to_hole_s)]
    if found.rolled:
        track = found.rolled.track
        drops = found.rolled.capture.drops
        balls.append((OWN, track, min(aim.time_to_hole_s, track.duration_s) if drops else track.duration_s))
    for name, track, end in balls:
        end_s = min(end, track.duration_s)
        seen, from_above = (
            rolling_rows(track, end_s, sight),
            _from_above(track, end_s, found.solved.putt, above),
        )
        for drawing, spots in (("eyes", seen), ("plan", from_above)):
            yield {"ball": f"#{drawing} [data-part={name}]", "duration_s": round(end_s, 3), "spots": spots}


def _from_above(track: Track, end_s: float, putt: Putt, above: Plan) -> list[list[float]]:
    rows = track.even_times(0.0, end_s, max(2, int(end_s * RATE_HZ)))
    spots: list[list[float]] = way_spots(putt, rows[:, 1:3], above.frame).round(1).tolist()
    return spots
