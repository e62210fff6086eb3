"""How hard, when again, what next and what the eyes do: against learners and readers that are known."""

from datetime import UTC, datetime, timedelta

import numpy as np
import pytest
from fsrs import Card, Rating, Scheduler

from orthocline.core.train import (
    EASIEST,
    HARDEST,
    READING,
    TWELVE,
    Asks,
    Cue,
    Kind,
    Shown,
    due_at,
    hardness,
    level_after,
    mean_bias,
    next_kind,
    remembered,
    seen_share,
)
from orthocline.core.train.kinds import kinds
from tests.trained import learner, reader

NOW = datetime(2026, 11, 27, 9, 0, tzinfo=UTC)


@pytest.mark.parametrize("ability", [3.0, 5.0, 8.0])
def test_the_staircase_settles_at_seven_in_ten_within_forty_questions(ability):
    rng = np.random.default_rng(21)
    after = [learner(ability, rng, 60)[40:] for _ in range(800)]
    assert 0.68 <= np.mean(after) <= 0.74


def test_levels_stay_within_what_there_is_and_take_cues_away():
    assert level_after(EASIEST, 9, good=False) == EASIEST
    assert level_after(HARDEST, 9, good=True) == HARDEST
    assert [hardness(level).cue for level in (0.0, 3.0, 6.0, 9.0)] == list(Cue)
    easy, hard = hardness(EASIEST), hardness(HARDEST)
    assert hard.green_speed_ft > easy.green_speed_ft
    assert hard.slope_sd > easy.slope_sd == 0.0
    assert hard.field_m < easy.field_m


def test_due_order_is_that_of_the_package():
    """Three kinds answered well, so and badly: they come back in the package's own order, at its times."""
    plain = Scheduler(enable_fuzzing=False)
    scores = {0: (0.99, Rating.Easy), 1: (0.6, Rating.Good), 2: (0.1, Rating.Again)}
    due, theirs = {}, {}
    for band, (score, rating) in scores.items():
        ours, card = remembered(None, score, NOW), Card(card_id=1, due=NOW)
        card, _ = plain.review_card(card, rating, NOW)
        later = NOW + timedelta(days=1)
        ours, (card, _) = remembered(ours, score, later), plain.review_card(card, rating, later)
        kind = Kind(Asks.AMOUNT, 1, band, 0)
        due[kind], theirs[kind] = due_at(ours), card.due
    assert due == theirs
    assert sorted(due, key=due.get) == sorted(theirs, key=theirs.get)
    assert [kind.length for kind in sorted(due, key=due.get)] == [2, 1, 0]


def test_what_is_due_comes_first_then_what_is_new():
    first, other, later = Kind(Asks.SIDE, 1, 0, 0), Kind(Asks.APEX, -1, 1, 0), Kind(Asks.PACE, 1, 0, 1)
    due = {first: NOW - timedelta(hours=2), other: NOW - timedelta(hours=1), later: NOW + timedelta(hours=1)}
    assert next_kind(READING, due, {}, NOW) == first
    assert next_kind(READING, due, {}, NOW, last=Asks.SIDE) == other
    assert next_kind((Asks.APEX, Asks.PACE), due, {}, NOW) == other
    new = next_kind(READING, {later: due[later]}, {}, NOW)
    assert new.asks is not Asks.PACE
    assert new == kinds(new.asks)[0]
    everything = {kind: NOW + timedelta(days=number) for number, kind in enumerate(kinds(Asks.CARD), start=1)}
    assert next_kind((Asks.CARD,), everything, {}, NOW) == kinds(Asks.CARD)[0]


def test_new_kinds_wait_for_the_level():
    short = {kind: NOW + timedelta(days=1) for kind in kinds(Asks.AMOUNT) if kind.length + kind.slope <= 2}
    assert next_kind((Asks.AMOUNT,), short, {Asks.AMOUNT: 2.0}, NOW) in short
    assert next_kind((Asks.AMOUNT,), short, {Asks.AMOUNT: 6.0}, NOW) not in short


def test_biases_are_found_within_their_ranges():
    """Of a thousand learners who are off by 0.4 and scatter by 1, and who see two thirds of the break."""
    rng = np.random.default_rng(5)
    means, spreads, shares = [], [], []
    for _ in range(1000):
        found = mean_bias((0.4 + rng.normal(size=15)).tolist())
        means.append(found.least <= 0.4 <= found.most)
        spreads.append(found.spread**2)
        true = rng.uniform(0.05, 0.8, 25) * rng.choice([-1.0, 1.0], 25)
        seen = seen_share(0.667 * true * (1.0 + 0.3 * rng.normal(size=25)), true).factor
        shares.append(seen.least <= 0.667 <= seen.most)
    assert 0.93 <= np.mean(means) <= 0.97
    assert np.mean(spreads) == pytest.approx(1.0, abs=0.05)
    assert 0.93 <= np.mean(shares) <= 0.97


def test_few_answers_say_nothing():
    assert mean_bias([0.1] * 5) is None
    assert seen_share([0.1] * 5, [0.2] * 5) is None
    assert not mean_bias([0.1, -0.1, 0.2, -0.2, 0.1, -0.1]).sure
    assert mean_bias([0.1, 0.11, 0.12, 0.1, 0.11, 0.12]).sure


@pytest.mark.parametrize(
    ("better", "sds"),
    [
        ("aim_spot", {"gate": 2.0, "felt": 2.0}),
        ("hand_gauge", {"gate": 2.0, "eye": 2.0}),
        ("curve_gate", {"amount": 2.0, "felt": 2.0}),
        ("fall_line_dial", {"amount": 2.0, "eye": 2.0}),
    ],
)
def test_readers_of_a_known_kind_are_told(better, sds):
    """As docs/training.md says: of readers twice as good both ways, more than eight in ten."""
    rng = np.random.default_rng(12)
    told = [reader(rng, **sds).school == better for _ in range(600)]
    assert 0.8 < np.mean(told) < 0.93


def test_readers_who_are_as_good_either_way_are_seldom_told_so():
    rng = np.random.default_rng(3)
    verdicts = [reader(rng) for _ in range(800)]
    assert 0.15 < np.mean([one.lines.told for one in verdicts]) < 0.25
    assert all(0.5 <= one.eyes.sure <= 1.0 for one in verdicts)
    assert {shown for _, shown in TWELVE} == set(Shown)
