"""The calls: one module per school, and the registry of them."""

from orthocline.core.calls.answer import Answer
from orthocline.core.calls.apex import Apex, apex_of
from orthocline.core.calls.beat_mark import BeatMark, beat_mark_of, slide
from orthocline.core.calls.cup_entry import CupEntry
from orthocline.core.calls.curve_gate import GATE_SHARE
from orthocline.core.calls.fall_line_dial import Dial, dial_of
from orthocline.core.calls.favourites import FIRST_CALLS, Sight
from orthocline.core.calls.golfer import USUAL_GOLFER, Gauge, GolferFigures, Putter, StartAid
from orthocline.core.calls.hand_gauge import HandGauge, bend_m
from orthocline.core.calls.instinct import Instinct, mood_m, place_m
from orthocline.core.calls.level_twin import LevelTwin, level_twin_of, plays_like_m
from orthocline.core.calls.marks import Mark
from orthocline.core.calls.pace_target import PaceTarget
from orthocline.core.calls.parting import Parting, parting_of
from orthocline.core.calls.plumb_line import PlumbLine
from orthocline.core.calls.ranges import ranges_of
from orthocline.core.calls.registry import SCHOOLS
from orthocline.core.calls.school import Blind, Figures, School, Term
from orthocline.core.calls.start_spot import StartLine, start_spot_of
from orthocline.core.calls.stroke import StrokeLength, stroke_of

__all__ = [
    "FIRST_CALLS",
    "GATE_SHARE",
    "SCHOOLS",
    "USUAL_GOLFER",
    "Answer",
    "Apex",
    "BeatMark",
    "Blind",
    "CupEntry",
    "Dial",
    "Figures",
    "Gauge",
    "GolferFigures",
    "HandGauge",
    "Instinct",
    "LevelTwin",
    "Mark",
    "PaceTarget",
    "Parting",
    "PlumbLine",
    "Putter",
    "School",
    "Sight",
    "StartAid",
    "StartLine",
    "StrokeLength",
    "Term",
    "apex_of",
    "beat_mark_of",
    "bend_m",
    "dial_of",
    "level_twin_of",
    "mood_m",
    "parting_of",
    "place_m",
    "plays_like_m",
    "ranges_of",
    "slide",
    "start_spot_of",
    "stroke_of",
]
