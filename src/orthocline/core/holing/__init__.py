"""How often, how firm: one putt tried by one golfer, and what each roll-past is worth."""

from orthocline.core.holing.advice import DYING_M, FIRMEST_M, PaceAdvice
from orthocline.core.holing.chances import Chances, chances_of
from orthocline.core.holing.leaves import (
    SAFE,
    Change,
    Leave,
    Leaves,
    SafeLeave,
    high_right_of,
    leaves_of,
    safe_leave_of,
)
from orthocline.core.holing.make_field import MakeField, make_field
from orthocline.core.holing.outlook import Outlook, outlook_of
from orthocline.core.holing.second_putts import RoundHole, SecondPutts
from orthocline.core.holing.start_gate import StartGate, gate_at, gate_of_width, gate_that_stands
from orthocline.core.holing.trying import TAKEN_AS_TRUE, TRIES, Doubt, Spread, spread_of
from orthocline.core.holing.ways import PACE_MARKS_M, Ways

__all__ = [
    "DYING_M",
    "FIRMEST_M",
    "PACE_MARKS_M",
    "SAFE",
    "TAKEN_AS_TRUE",
    "TRIES",
    "Chances",
    "Change",
    "Doubt",
    "Leave",
    "Leaves",
    "MakeField",
    "Outlook",
    "PaceAdvice",
    "RoundHole",
    "SafeLeave",
    "SecondPutts",
    "Spread",
    "StartGate",
    "Ways",
    "chances_of",
    "gate_at",
    "gate_of_width",
    "gate_that_stands",
    "high_right_of",
    "leaves_of",
    "make_field",
    "outlook_of",
    "safe_leave_of",
    "spread_of",
]
