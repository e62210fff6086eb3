"""The calls: one module per school, and the registry of them."""

from orthocline.core.calls.apex import Apex, apex_of
from orthocline.core.calls.beat_mark import BeatMark, beat_mark_of, slide
from orthocline.core.calls.curve_gate import curve_gate_of
from orthocline.core.calls.fall_line_dial import Dial, dial_of
from orthocline.core.calls.level_twin import LevelTwin, level_twin_of, plays_like_m
from orthocline.core.calls.marks import Mark
from orthocline.core.calls.pace_target import PaceTarget, pace_target_of
from orthocline.core.calls.registry import SCHOOLS
from orthocline.core.calls.school import USUAL_GOLFER, GolferFigures, School
from orthocline.core.calls.start_spot import start_spot_of
from orthocline.core.calls.stroke import StrokeLength, stroke_of

__all__ = [
    "SCHOOLS",
    "USUAL_GOLFER",
    "Apex",
    "BeatMark",
    "Dial",
    "GolferFigures",
    "LevelTwin",
    "Mark",
    "PaceTarget",
    "School",
    "StrokeLength",
    "apex_of",
    "beat_mark_of",
    "curve_gate_of",
    "dial_of",
    "level_twin_of",
    "pace_target_of",
    "plays_like_m",
    "slide",
    "start_spot_of",
    "stroke_of",
]
