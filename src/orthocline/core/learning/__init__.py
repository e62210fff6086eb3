"""What the log teaches: which of read, line and pace a miss was, and what a golfer does again and again."""

from orthocline.core.learning.causes import PAIRS, RIGHT, SINGLES, Diagnosis, diagnosis_of
from orthocline.core.learning.correction import Correction, correction_for, corrections_of
from orthocline.core.learning.evidence import Evidence, evidence_of
from orthocline.core.learning.greens import GreenSaid, greens_of
from orthocline.core.learning.grounds import Figures, changed
from orthocline.core.learning.played import Played
from orthocline.core.learning.posterior import Posterior, UnexplainedError
from orthocline.core.learning.reads import LENGTHS_M, SLOPES, Aimed, Group, Reads, groups_of, reads_of
from orthocline.core.learning.stroke import ENOUGH, Belief, Habit, Stroke, stroke_with, usual_stroke

__all__ = [
    "ENOUGH",
    "LENGTHS_M",
    "PAIRS",
    "RIGHT",
    "SINGLES",
    "SLOPES",
    "Aimed",
    "Belief",
    "Correction",
    "Diagnosis",
    "Evidence",
    "Figures",
    "GreenSaid",
    "Group",
    "Habit",
    "Played",
    "Posterior",
    "Reads",
    "Stroke",
    "UnexplainedError",
    "changed",
    "correction_for",
    "corrections_of",
    "diagnosis_of",
    "evidence_of",
    "greens_of",
    "groups_of",
    "reads_of",
    "stroke_with",
    "usual_stroke",
]
