"""Training: questions that a seed gives, what an answer is worth, and when what comes back."""

from orthocline.core.draws import LARGEST_SEED
from orthocline.core.train.bias import Bias, mean_bias, seen_share
from orthocline.core.train.choice import next_kind
from orthocline.core.train.kinds import CARDS, READING, Asks, Kind, kind_named, kind_of
from orthocline.core.train.levels import EASIEST, GOOD_SHARE, HARDEST, START, Cue, hardness, level_after
from orthocline.core.train.made import checksum
from orthocline.core.train.marks import GOOD, Given, Marked, NoAnswerError, can_ask, marked
from orthocline.core.train.memory import Memory, due_at, remembered
from orthocline.core.train.putts import MADE, NoPuttError, Question, made_putt, putt_on, seed_of, turned
from orthocline.core.train.reader import TWELVE, Either, Shown, Verdict, verdict_of

__all__ = [
    "CARDS",
    "EASIEST",
    "GOOD",
    "GOOD_SHARE",
    "HARDEST",
    "LARGEST_SEED",
    "MADE",
    "READING",
    "START",
    "TWELVE",
    "Asks",
    "Bias",
    "Cue",
    "Either",
    "Given",
    "Kind",
    "Marked",
    "Memory",
    "NoAnswerError",
    "NoPuttError",
    "Question",
    "Shown",
    "Verdict",
    "can_ask",
    "checksum",
    "due_at",
    "hardness",
    "kind_named",
    "kind_of",
    "level_after",
    "made_putt",
    "marked",
    "mean_bias",
    "next_kind",
    "putt_on",
    "remembered",
    "seed_of",
    "seen_share",
    "turned",
    "verdict_of",
]
