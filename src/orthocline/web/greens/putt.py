"""A putt on a green's map: its ball and hole by drag, by paces and bearing, or from the straight putt."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

import numpy as np

from orthocline.core.chart import FARTHEST_M, ChartPin, Known
from orthocline.core.relief import Outline
from orthocline.web.shared.lies import lie_fields, pin_named, plain
from orthocline.web.shared.placing import moved_of, nudged_of
from orthocline.wording.ground.dial import Placed, parse_place
from orthocline.wording.ground.greens import parse_spot, spot_text
from orthocline.wording.quantities import QuantityError, parse_far_m
from orthocline.wording.wording import Wording

Place = tuple[float, float]
SHORT_M: Final = 4.5
"""A putt begins so far short of its hole until it is said where."""
STEP_M: Final = 0.25
STRAIGHT: Final = "straight"


@dataclass(frozen=True)
class MapPutt:
    """A putt on a map.

    Attributes
    ----------
    ball, hole : tuple of float
        Where they lie [m].
    typed, errors : mapping
        Their fields as they were typed, and what is wrong with them.
    """

    ball: Place
    hole: Place
    typed: Mapping[str, str]
    errors: Mapping[str, str]

    @property
    def length_m(self) -> float:
        """How far the hole is [m]."""
        return math.dist(self.ball, self.hole)

    @property
    def toward_rad(self) -> float:
        """The way to it, clockwise from up."""
        return math.atan2(self.hole[0] - self.ball[0], self.hole[1] - self.ball[1])

    def fields(self, outline: Outline, wording: Wording) -> dict[str, str]:
        """Return ball and hole as the page's fields show them."""
        places = {"ball": self.ball, "hole": self.hole}
        said = {name: spot_text(place, outline, wording) for name, place in places.items()}
        return {**said, **self.typed}

    def read_fields(self, green_id: int) -> dict[str, str]:
        """Return the fields of the read's address that say it."""
        length = {"length": f"{plain(self.length_m)} m"}
        return lie_fields(green_id, self.hole, self.toward_rad) | length

    def put(self, name: str, at: Place) -> "MapPutt":
        """Return it with its ball or its hole in another place."""
        typed = {key: text for key, text in self.typed.items() if key != name}
        ball, hole = (
            at if key == name else there for key, there in (("ball", self.ball), ("hole", self.hole))
        )
        return replace(self, ball=ball, hole=hole, typed=typed)


@dataclass(frozen=True)
class _Said:
    """What an address says of a putt."""

    arguments: Mapping[str, str]
    pins: tuple[ChartPin, ...]
    outline: Outline
    known: Known
    wording: Wording

    @cached_property
    def usual_hole(self) -> Place:
        """The place of the first pin in use; without any the middle of the green."""
        in_use = [one.at_m for one in self.pins if not one.retired]
        (left, low), (right, top) = self.outline.box
        return in_use[0] if in_use else (0.5 * (left + right), 0.5 * (low + top))

    def usual_ball(self, hole: Place) -> Place:
        """Return a place short of a hole, or beyond it where that is off the green."""
        short = hole[0], hole[1] - SHORT_M
        return short if self.outline.holds(np.array([short]))[0] else (hole[0], hole[1] + SHORT_M)

    def hole(self, text: str) -> Place:
        """Return where a typed hole lies: by the name of a pin, or as a place."""
        pin = pin_named(self.pins, text)
        if pin:
            return pin.at_m
        return parse_spot(text, self.outline, self.wording)

    def ball(self, text: str, hole: Place) -> Place:
        """Return where a typed ball lies: as a place, or from the straight putt to its hole."""
        if not text.lower().startswith(STRAIGHT):
            return parse_spot(text, self.outline, self.wording)
        distance_m, round_rad = self._from_straight(text[len(STRAIGHT) :].strip(" ,"))
        way = self.known.fall_at(hole).toward_rad + round_rad
        return hole[0] + distance_m * math.sin(way), hole[1] + distance_m * math.cos(way)

    def _from_straight(self, said: str) -> Placed:
        """Return the distance from the hole [m], and how far clockwise round it from the straight putt."""
        first, _, rest = said.partition(",")
        try:
            distance_m = parse_far_m(first, self.wording) if first else SHORT_M
        except QuantityError:
            return parse_place(said, SHORT_M, self.wording)
        return parse_place(rest, distance_m, self.wording) if rest.strip() else Placed(distance_m, 0.0)


def map_putt(
    arguments: Mapping[str, str],
    pins: tuple[ChartPin, ...],
    outline: Outline,
    known: Known,
    wording: Wording,
) -> MapPutt:
    """Return the putt that an address asks for on a map, with what was dragged, tapped or nudged."""
    said = _Said(arguments, pins, outline, known, wording)
    errors: dict[str, str] = {}

    def placed(name: str, parse: Callable[[str], Place], usual: Place) -> Place:
        text = arguments.get(name, "").strip()
        try:
            return parse(text) if text else usual
        except QuantityError as error:
            errors[name] = f"The {name} {error}."
            return usual

    hole = placed("hole", said.hole, said.usual_hole)
    ball = placed("ball", lambda text: said.ball(text, hole), said.usual_ball(hole))
    typed = {name: arguments[name] for name in errors}
    return _edited(MapPutt(_held(ball), _held(hole), typed, errors), arguments)


def _edited(putt: MapPutt, arguments: Mapping[str, str]) -> MapPutt:
    moved, nudged = moved_of(arguments), nudged_of(arguments)
    if moved and moved.handle in ("ball", "hole", "tap"):
        name = "ball" if moved.handle == "tap" else moved.handle
        return putt.put(name, _held((moved.right_m, moved.beyond_m)))
    if nudged and nudged.handle in ("ball", "hole"):
        x, y = putt.ball if nudged.handle == "ball" else putt.hole
        return putt.put(nudged.handle, _held((x + nudged.right * STEP_M, y + nudged.up * STEP_M)))
    return putt


def _held(at: Place) -> Place:
    """Return a place no further off than a map reaches."""
    x, y = (min(max(one, -FARTHEST_M), FARTHEST_M) for one in at)
    return x, y
