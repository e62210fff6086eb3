"""The fields of a watched ball."""

import math
from collections.abc import Callable
from typing import Any, Final

from wtforms import RadioField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import StopValidation

from orthocline.core.balls import Way
from orthocline.core.roll import RANGES
from orthocline.core.units import FOOT_M
from orthocline.services.read.balls import Watched
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.ground.balls import parse_rest, parse_turn
from orthocline.wording.ground.dial import parse_place
from orthocline.wording.quantities import QuantityError, parse_near_m

PASSED: Final = {"left": -1, "": 0, "right": 1}
USUAL_REST_M: Final = (FOOT_M, 0.0)
"""A ball of which nothing was said yet stopped a foot past."""
USUAL_START: Final = "4 h"
LARGEST_TURN_RAD: Final = math.radians(75.0)
FARTHEST_STOP_M: Final = 30.0


class SaidField(StringField):
    """A text that says a place or a direction; `said` is what it means, None for an empty one."""

    said: Any = None

    def __init__(self, label: str, read: Callable[[str, "BallForm"], Any], **more: Any) -> None:
        super().__init__(label, **more)
        self.read = read

    def pre_validate(self, form: "BallForm") -> None:
        """Find what it says, or say what is allowed."""
        text = (self.data or "").strip()
        try:
            self.said = self.read(text, form) if text else None
        except QuantityError as error:
            raise StopValidation(f"{self.label.text} {error}.") from error


def _start(text: str, form: "BallForm") -> tuple[float, float]:
    """Return where a ball started, beyond the own hole and to its right [m]."""
    place = parse_place(text, form.length_m, form.wording)
    least, most = RANGES.length_m
    if place.distance_m < least:
        raise QuantityError("must lie 6 in or more from the hole: on the hole it says nothing")
    if place.distance_m > most:
        raise QuantityError("must lie within 196 ft (60 m) of the hole")
    return -place.distance_m * math.cos(place.round_rad), -place.distance_m * math.sin(place.round_rad)


def _rest(text: str, form: "BallForm") -> tuple[float, float]:
    """Return where it stopped, beyond the hole along its own line and to its right [m]."""
    rest = parse_rest(text, form.wording)
    if max(map(abs, rest)) > FARTHEST_STOP_M:
        raise QuantityError("must lie within 98 ft (30 m) of the hole")
    return rest


def _turn(text: str, form: "BallForm") -> float:
    """Return a direction to the right of the ball's own line [rad]."""
    turn = parse_turn(text, math.hypot(*form.start_m), form.wording)
    if abs(turn) > LARGEST_TURN_RAD:
        raise QuantityError("must be within 75 degrees of the hole")
    return turn


class BallForm(FigureForm):
    """What was seen of a ball."""

    length_m = 1.0
    """The own putt's length, which is known by then."""
    whose = RadioField(
        "Whose", choices=[SelectChoice("other"), SelectChoice("own")], default="other", validate_choice=False
    )
    start = SaidField("Its start", _start)
    stopped = SaidField("Where it stopped", _rest)
    seen_line = SaidField("Its start line", _turn)
    seen_last = SaidField("Its last feet", _turn)
    passed = RadioField("Passed", choices=[SelectChoice(one) for one in PASSED], default="")
    meant = QuantityField(
        "The pace",
        parse_near_m,
        between=RANGES.past_m,
        allowed="between 0 and 16 ft (5 m) past the hole, on the level",
        optional=True,
    )

    def validate_stopped(self, field: SaidField) -> None:
        """Refuse a ball that stopped where it started: nobody struck it."""
        if self.start.errors or field.said is None:
            return
        way = Way.from_rest(self.start_m, field.said)
        if math.dist(way.start_m, way.finish_m) < RANGES.length_m[0]:
            raise StopValidation("Where it stopped must lie 6 in or more from its start.")

    @property
    def own(self) -> bool:
        """Whether it is the golfer's own ball, which starts where the putt does."""
        return bool(self.whose.data == "own")

    @property
    def start_m(self) -> tuple[float, float]:
        """Where it started, beyond the own hole and to its right [m]."""
        if self.own:
            return -self.length_m, 0.0
        found: tuple[float, float] = self.start.said or _start(USUAL_START, self)
        return found

    @property
    def ball(self) -> Watched:
        """The ball of a form that validates."""
        way = Way.from_rest(self.start_m, self.stopped.said or USUAL_REST_M)
        if self.own:
            return Watched(way, meant_past_m=self.meant.figure or 0.0)
        return Watched(way, self.seen_line.said, self.seen_last.said, PASSED[self.passed.data or ""])


BALL_FIELDS = tuple(BallForm()._fields)
"""The names of its fields."""
