"""Clues of grain: what each says, what they say together, and what contradicts."""

import math

import numpy as np
import pytest

from orthocline.core.grain import CLUES, GRASSES, Clue, at_odds, combined
from orthocline.drawing.ground.cup_clues import DRAWN
from orthocline.wording.ground.grain import CLUE_WORDS, GRASS_WORDS

HOUR = math.pi / 6


def test_every_clue_and_grass_has_its_words_and_its_drawing():
    assert set(CLUE_WORDS) == set(CLUES) == set(DRAWN)
    assert set(GRASS_WORDS) == set(GRASSES)


def way_deg(*clues):
    return round(math.degrees(combined(clues).toward_rad)) % 360


@pytest.mark.parametrize(
    ("kind", "seen_h", "toward_h"),
    [("worn", 4, 4), ("sharp", 4, 10), ("clippings", 9, 9), ("shiny", 12, 12), ("dark", 12, 6)],
)
def test_each_clue_says_which_way_grass_grows(kind, seen_h, toward_h):
    assert way_deg(Clue(kind, seen_h * HOUR)) == toward_h * 30 % 360


def test_clues_are_added_as_ways_and_the_weaker_counts_less():
    assert way_deg(Clue("worn", 0.0), Clue("worn", 2 * HOUR)) == 30
    assert 0 < way_deg(Clue("worn", 0.0), Clue("clippings", 2 * HOUR)) < 30
    sunny, cloudy = (
        way_deg(Clue("worn", 0.0), Clue("shiny", 2 * HOUR, doubtful=cloud)) for cloud in (False, True)
    )
    assert 0 < cloudy < sunny == 30


def test_more_clues_that_agree_are_surer():
    one, two = (combined([Clue("worn", 1.0)] * count) for count in (1, 2))
    assert one.sd_rad == pytest.approx(math.radians(22.5))
    assert two.sd_rad == pytest.approx(one.sd_rad / math.sqrt(2))


def test_clues_more_than_a_right_angle_apart_contradict_and_are_not_averaged():
    clues = [Clue("worn", 0.0), Clue("shiny", 3 * HOUR), Clue("sharp", 0.0)]
    assert at_odds(clues) == ((0, 2),)
    assert combined(clues) is None
    assert combined(clues[:2]) is not None


def test_an_edge_worn_on_the_low_side_says_nothing():
    low = Clue("worn", 0.0, doubtful=True)
    assert combined([low]) is None
    assert at_odds([low, Clue("worn", math.pi)]) == ()


def test_it_is_as_sure_as_it_says():
    """Of clues that scatter by 45 degrees (95 %), those that count less by as much more."""
    rng, held = np.random.default_rng(5), []
    for _ in range(2000):
        kinds = [["worn", "clippings", "shiny"][i] for i in rng.integers(0, 3, rng.integers(1, 4))]
        weights = [{"worn": 1.0, "clippings": 0.5, "shiny": 1.0}[kind] for kind in kinds]
        true = rng.uniform(0, 2 * math.pi)
        errors = rng.normal(0, math.radians(22.5), len(kinds)) / np.sqrt(weights)
        said = combined([Clue(kind, true + error) for kind, error in zip(kinds, errors, strict=True)])
        if said:
            away = abs(math.remainder(said.toward_rad - true, 2 * math.pi))
            held.append(away <= 1.96 * said.sd_rad)
    assert len(held) > 1900
    assert 0.93 <= np.mean(held) <= 0.975


def test_grasses_have_the_usual_strengths():
    assert {name: grass.strength for name, grass in GRASSES.items()} == {
        "bent": 0.03,
        "fescue": 0.03,
        "mixed": 0.08,
        "meadow": 0.08,
        "creeping": 0.15,
        "strong": 0.15,
    }
