"""How near reads come to putts that were solved apart from this project: `tests/data/reference-*.json`."""

import json

import numpy as np
from tests.putts import DATA, FORMULAS, PLANES, REFERENCES, on_grid

from bars import bar
from orthocline.core.roll import read
from orthocline.core.sure import Sureness
from orthocline.formats.putt_document import putt_of, question_of

CLOSED_MM, INTEGRATED_MM, SAMPLED_MM = 0.1, 0.3, 0.5


def bench_truth():
    """Print how far aims and ranges are from theirs."""
    exact = [one for one in PLANES if not {"grain", "wind"} & set(one["putt"])]
    led = [one for one in REFERENCES if one not in exact and one not in FORMULAS]
    for what, entries, putt, most in (
        ("on planes", exact, lambda one: putt_of(one["putt"]), CLOSED_MM),
        ("with grain, with wind, on stations", led, lambda one: putt_of(one["putt"]), INTEGRATED_MM),
        ("on formulas sampled every 0.25 m", FORMULAS, on_grid, SAMPLED_MM),
    ):
        off = [1e3 * abs(read(putt(one)).aim_right_m - one["expect"]["aim_right_m"]) for one in entries]
        told = f"{len(off)} putts of a separate integrator"
        bar(f"aims {what}, off at worst by", max(off), "mm", most=most, against=told)
    surveyed = json.loads((DATA / "reference-survey.json").read_text())
    held, ours, theirs = [], [], []
    for one in surveyed:
        asked, expected = question_of(one["putt"]), one["expect"]
        solved, true = read(asked.putt), expected["true_aim_right_m"]
        span = Sureness(solved, asked.uncertainty).range.aim_right_m
        held.append(span.least <= true <= span.most)
        ours.append(solved.aim_right_m - true)
        theirs.append(expected["separate_fit_aim_right_m"] - true)
    told = f"{len(surveyed)} greens read by a walk, their true aims known"
    bar("true aims within range on surveyed greens", 100 * np.mean(held), "%", least=93, against=told)
    ratio = float(np.linalg.norm(ours) / np.linalg.norm(theirs))
    bar("how far those aims are off, against a separate fit's", ratio, "times", most=1.1)
