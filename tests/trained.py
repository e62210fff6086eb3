"""Learners and readers of known kind, and an answer to each question as it is typed."""

import math

from orthocline.core.train import START, TWELVE, level_after, verdict_of

TYPED = {
    "side": "left",
    "amount": "9 in left",
    "plays": "17 ft",
    "apex": "6 ft ahead, 4 in left",
    "entry": "5:30",
    "straight": "40",
    "pair": "other",
    "slope": "2.5 %",
    "pace": "2 ft past",
    "card": "3 %",
    "gate": "3 in left",
}


def learner(ability, rng, answers, spread=1.2):
    """Return the answers of one whose chance of a good one falls with the level by a logistic curve."""
    level, good = START, []
    for number in range(answers):
        good.append(bool(rng.random() < 1.0 / (1.0 + math.exp((level - ability) / spread))))
        level = level_after(level, number, good=good[-1])
    return good


def reader(rng, **sds):
    """Return what a simulated reader's twelve answers say; each way's spread multiplies."""
    spread = {name: sds.get(name, 1.0) for name in ("amount", "gate", "eye", "felt")}
    return verdict_of([(asks, shown, spread[asks] * spread[shown] * rng.normal()) for asks, shown in TWELVE])
