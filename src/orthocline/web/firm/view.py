"""The variables of how often and how firm."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property

from orthocline.core.account import GOLFERS, Golfer, UsualPasts
from orthocline.core.holing import TAKEN_AS_TRUE, Doubt, Outlook, PaceAdvice
from orthocline.core.roll import OwnRoll, Read, RollPast
from orthocline.core.sure import Sureness
from orthocline.drawing.holing.curves import curves
from orthocline.drawing.holing.golfers import golfers_drawing
from orthocline.drawing.holing.leaves import leaves_drawing
from orthocline.drawing.holing.strip import strip
from orthocline.drawing.holing.window import window
from orthocline.drawing.scene import Scene
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import WhoPutts
from orthocline.services.read.holing import advice_for_others, outlook, try_launch
from orthocline.web.firm.request import Gate
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.holing.golfers import for_whom_words, spread_words, whose_words
from orthocline.wording.holing.leaves import LeaveWords, better_words, leave_words, safe_words
from orthocline.wording.holing.pace import (
    PaceCall,
    advised,
    advised_m,
    chosen_words,
    no_advice_words,
    pace_call,
)
from orthocline.wording.holing.window import gate_words, tolerance_words, tolerances_deg
from orthocline.wording.read.rolled import trial_words
from orthocline.wording.wording import Wording

LEAST_TAKEN_M = 0.006
"""A pace that is nearer to the advised one is the same."""


@dataclass(frozen=True)
class FirmView:
    """What is said of how often and how firm; a part that is not shown is not worked out."""

    viewer: Viewer
    asked: ReadRequest
    solved: Read
    who: WhoPutts
    pasts: UsualPasts
    sure: Sureness
    gate: Gate

    @property
    def wording(self) -> Wording:
        """How the golfer says figures."""
        return self.asked.wording

    @property
    def golfer(self) -> Golfer:
        """Who putts, on the day's green."""
        return self.who.golfer.on_ground(self.asked.playing.trueness)

    @property
    def whose(self) -> str:
        """For whom the figures are."""
        whose = whose_words(self.who.level, own=self.who.own, learnt_by=self.who.learnt_by)
        return f"The spreads are {whose}: {spread_words(self.golfer)}."

    @property
    def for_whom(self) -> str:
        """The same in a few words."""
        return for_whom_words(self.who.level, own=self.who.own, learnt_by=self.who.learnt_by)

    @cached_property
    def outlook(self) -> Outlook:
        """How often, and how firm."""
        return outlook(self.viewer, self.solved, self.golfer, self.pasts, self._doubt)

    @property
    def call(self) -> PaceCall | None:
        """Which roll-past suits; None where there is none to choose."""
        advice = self.outlook.advice
        return pace_call(advice, self.wording) if advice else None

    @property
    def none(self) -> str:
        """Why there is none."""
        return no_advice_words(self.outlook)

    @property
    def chosen(self) -> str:
        """What the pace chosen is worth."""
        return chosen_words(self.outlook, self.wording)

    @property
    def strip(self) -> Scene | None:
        """The advice in one small picture."""
        advice = self.outlook.advice
        return strip(advice, self._past_m, self.wording) if advice else None

    @property
    def curves(self) -> Scene | None:
        """What each roll-past is worth."""
        advice = self.outlook.advice
        return curves(advice, self._past_m, self.wording) if advice else None

    @property
    def golfers(self) -> Scene | None:
        """The same putt for the usual golfers of all levels."""
        found = {level: self._advice_for(golfer) for level, golfer in GOLFERS.items()}
        there = {level: advice for level, advice in found.items() if advice}
        return golfers_drawing(there, self._past_m, self.wording) if there else None

    @property
    def take(self) -> str:
        """The advised roll-past in words; empty where it is the one chosen."""
        past_m = self._advised_m
        return "" if past_m is None else advised(past_m, self.wording)

    @property
    def better_by_far(self) -> bool:
        """Whether the advised roll-past takes so many putts less that it is offered with the advice."""
        advice, past_m = self.outlook.advice, self._past_m
        return advice is not None and past_m is not None and not advice.as_good.holds(past_m)

    @property
    def take_query(self) -> str:
        """The address of the read at the advised pace."""
        past_m = self._advised_m
        return self.asked.query if past_m is None else self.asked.at_advised_past(past_m).query

    @property
    def taken_by_itself(self) -> bool:
        """Whether the advised pace is taken without being asked again."""
        return self.asked.playing.advised and self._advised_m is not None

    @property
    def leaves(self) -> Iterator[LeaveWords]:
        """What misses leave, the high side first."""
        found = self.outlook.leaves
        for right in (True, False) if found.high_right in (None, True) else (False, True):
            leave = found.right if right else found.left
            if leave:
                yield leave_words(leave, right=right, high_right=found.high_right, wording=self.wording)

    @property
    def leaves_drawing(self) -> Scene:
        """Where misses stop round the hole."""
        return leaves_drawing(self.outlook, self.wording)

    @property
    def better(self) -> str:
        """Which side to miss on."""
        return better_words(self.outlook.leaves)

    @property
    def safe(self) -> str:
        """How to leave the next putt below the hole, and what that costs."""
        return safe_words(self.outlook.safe_leave, self.wording)

    @property
    def tolerance(self) -> str:
        """Within which launches the putt still drops."""
        drops = self.solved.make_window is not None
        said = tolerance_words(self.solved)
        return f"Drops within {said}." if drops else said

    @property
    def gate_says(self) -> str:
        """The gate to practise the start line."""
        found = self.solved.make_window
        if found is None and self.gate.within_rad is None:
            return ""
        tolerances = tolerances_deg(found.right_rad, self.solved.launch_right_rad) if found else (0.0,)
        return gate_words(self.gate.stand(math.radians(min(tolerances))), self.wording)

    @property
    def window(self) -> Scene:
        """The make window."""
        return window(self.outlook, self._tried, f"Make window. {self.tolerance}")

    @property
    def tried(self) -> str:
        """What the launch that is tried does."""
        return trial_words(self.solved, self._tried, self.wording) if self._tried else ""

    @property
    def untried_query(self) -> str:
        """The address without it."""
        return self.asked.trying(None).query

    @cached_property
    def _tried(self) -> OwnRoll | None:
        tried = self.asked.playing.tried
        return try_launch(self.viewer, self.solved, *tried) if tried else None

    def _advice_for(self, golfer: Golfer) -> PaceAdvice | None:
        on_ground = golfer.on_ground(self.asked.playing.trueness)
        if on_ground == self.golfer:
            return self.outlook.advice
        return advice_for_others(self.viewer, self.solved, on_ground, self.pasts, self._doubt)

    @property
    def _past_m(self) -> float | None:
        return self.solved.aim.past_m

    @property
    def _advised_m(self) -> float | None:
        """The advised roll-past [m] as it is said; None where it is the one chosen."""
        advice, pace = self.outlook.advice, self.asked.putt.pace
        if advice is None:
            return None
        past_m = advised_m(advice.best_m, self.wording)
        same = isinstance(pace, RollPast) and abs(pace.past_m - past_m) < LEAST_TAKEN_M
        return None if same else past_m

    @property
    def _doubt(self) -> Doubt:
        if not self.asked.playing.doubted:
            return TAKEN_AS_TRUE
        angle, speed, _ = self.sure.doubts.variance.tolist()
        return Doubt(math.sqrt(angle), math.sqrt(speed))
