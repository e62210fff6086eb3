"""Reads on surveyed greens against the reference: how near the true aim, how honest the range, what helps."""

import json
import math
from pathlib import Path

import numpy as np
import pytest

from orthocline.core.roll import read
from orthocline.core.sure import CERTAIN, Sureness, fall_of
from orthocline.core.survey import Looks, SlopeReading, Survey
from orthocline.formats.putt_document import putt_of

ENTRIES = json.loads((Path(__file__).parents[2] / "data" / "reference-survey.json").read_text())


@pytest.fixture(scope="module")
def reads():
    return [read(putt_of(entry["putt"])) for entry in ENTRIES]


def test_the_aim_comes_as_near_as_a_separate_fit_and_lies_within_its_range(reads):
    truths = np.array([entry["expect"]["true_aim_right_m"] for entry in ENTRIES])
    others = np.array([entry["expect"]["separate_fit_aim_right_m"] for entry in ENTRIES])
    aims = np.array([one.aim_right_m for one in reads])
    assert np.sqrt(np.mean((aims - truths) ** 2)) <= 1.25 * np.sqrt(np.mean((others - truths) ** 2))
    ranges = [Sureness(one, CERTAIN).range.aim_right_m for one in reads]
    held = [span.least <= true <= span.most for span, true in zip(ranges, truths, strict=True)]
    assert sum(held) >= 10


def test_a_further_reading_leaves_what_a_fit_with_it_says(reads):
    """Not the figure of the new reading, for nobody knows it, but how sure the aim is then."""
    solved = reads[4]
    putt, sure = solved.putt, Sureness(solved, CERTAIN)
    slope = sure.doubts.slope
    at_m, sd = 0.6 * putt.length_m, 0.002
    place = putt.place(at_m, 0.0)
    across = putt.bearing_rad - 0.5 * math.pi
    more = SlopeReading((place.x_m, place.y_m), -putt.side_tilt_right, across, sd)
    field = putt.surface.fit.field
    refitted = Survey((*putt.surface.readings, more), putt.surface.around)
    fit = refitted.fit.__class__(
        refitted.fit.looks, refitted.fit.values, np.maximum(refitted.fit.sds, 1e-5), field
    )
    variance = slope.answers[2] @ fit.covariance(slope.looks) @ slope.answers[2]
    assert slope.left(at_m, sd, across=True) == pytest.approx(variance, rel=1e-6)
    assert variance < sure.doubts.variance[2]


def test_what_to_find_out_next_narrows_the_range(reads):
    named = [Sureness(one, CERTAIN).next_readings for one in reads]
    assert sum(bool(one) for one in named) >= 10


def test_the_fall_of_a_putt_is_as_sure_as_the_fit(reads):
    putt = reads[0].putt
    fall = fall_of(putt, CERTAIN)
    assert fall.tilt_range.least < fall.tilt < fall.tilt_range.most
    parts = np.array([[0.0, math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)]])
    middle = Looks(
        np.array([[0.5 * (putt.ball.x_m + putt.hole.x_m), 0.5 * (putt.ball.y_m + putt.hole.y_m)]]), parts
    )
    assert fall.tilt_range.width < 4 * math.sqrt(putt.surface.fit.covariance(middle)[0, 0]) + 0.01
