"""Holes of the day in words: which are fair, which is the easiest, and what a figure of a place says."""

import math
from collections.abc import Mapping, Sequence
from typing import Final, NamedTuple

from orthocline.core.study import HOLDS, HOLED_3FT, HOLED_6FT, THREE_PUTTS, Holes, Ranked
from orthocline.wording.figures import capital, hundred, tidy
from orthocline.wording.ground.greens import paces_words
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.wording import Wording


class FigureWords(NamedTuple):
    """A figure of places: its number in the core, its name, and what darker means on its map."""

    number: int
    name: str
    darker: str


FIGURES: Final[Mapping[str, FigureWords]] = {
    "three": FigureWords(THREE_PUTTS, "Three-putts", "darker: more three-putts from 20 to 40 ft"),
    "short": FigureWords(HOLED_3FT, "From 3 ft", "darker: fewer holed from 3 ft"),
    "mid": FigureWords(HOLED_6FT, "From 6 ft", "darker: fewer holed from 6 ft"),
    "holds": FigureWords(HOLDS, "Holds", "dark: no stop within a foot past from all round"),
}
"""By the name in an address."""
LISTED: Final = ("three", "mid", "short")
"""The figures that a list of holes has."""
COLUMN_WORDS: Final = tuple(FIGURES[one].name for one in LISTED)
"""The same as the heads of its columns."""


class HoleLine(NamedTuple):
    """A hole in a list: its mark on the map, where it is, whether it is fair, its figures as `LISTED`."""

    mark: str
    where: str
    fair: str
    figures: list[str]


def study_words(speeds_ft: Sequence[float], level: str) -> str:
    """Return what a study is of: ``speed 11 and 12, middle-handicap golfers``."""
    return f"speed {speeds_words(speeds_ft)}, {golfers_words(level)}"


def golfers_words(level: str) -> str:
    """Return who putts: ``middle-handicap golfers``."""
    return f"{LEVEL_WORDS[level]} golfers"


def hole_line(
    mark: str, place: int, holes: Holes, speeds_ft: Sequence[float], from_edge_m: float, wording: Wording
) -> HoleLine:
    """Return a place of a study as a line of a list; a fair hole is so far from the edge [m]."""
    figures = [share_words(holes.played[:, place, FIGURES[one].number].tolist()) for one in LISTED]
    where = place_words(place, holes, wording)
    return HoleLine(mark, where, fair_words(place, holes, speeds_ft, from_edge_m), figures)


def place_words(place: int, holes: Holes, wording: Wording) -> str:
    """Return where a place of a study is: ``12 paces on, 3 right``."""
    x, y = holes.places_m[place].tolist()
    return paces_words((x, y), holes.outline, wording)


def speeds_words(speeds_ft: Sequence[float]) -> str:
    """Return green speeds: ``11 and 12``."""
    return " and ".join(tidy(one) for one in speeds_ft)


def fair_words(place: int, holes: Holes, speeds_ft: Sequence[float], from_edge_m: float) -> str:
    """Return at which of the speeds a hole is fair: ``Fair at 11, not at 12``; or why it is not."""
    fair_at = int(holes.fair(from_edge_m)[place])
    if fair_at:
        slow, fast = speeds_words(speeds_ft[:fair_at]), speeds_words(speeds_ft[fair_at:])
        return f"Fair at {slow}, not at {fast}" if fast else f"Fair at {slow}"
    if holes.from_edge_m[place] < from_edge_m:
        return "Not fair: too near the edge"
    if holes.played[0, place, HOLDS] < 1.0:
        return f"Not fair: holds no ball from all round at {tidy(speeds_ft[0])}"
    return "Not sure: read its ground first"


def lead_words(ranked: Sequence[Ranked], holes: Holes, speeds_ft: Sequence[float], wording: Wording) -> str:
    """Return what a study found: where the easiest fair hole is."""
    if not ranked:
        return f"No fair hole at speed {tidy(speeds_ft[0])}."
    first = ranked[0]
    where = place_words(first.place, holes, wording)
    return f"Easiest fair hole at speed {speeds_words(speeds_ft[: first.fair_at])}: {where}."


def foot_words(speeds_ft: Sequence[float], level: str, day: str) -> str:
    """Return the foot of a keeper's sheet."""
    return f"{capital(study_words(speeds_ft, level))}. Figures at {speeds_words(speeds_ft)}. {day}."


def share_words(shares: Sequence[float]) -> str:
    """Return a share at each speed: ``9, 12 %``; a dash where no putt is so long."""
    if any(math.isnan(one) for one in shares):
        return "–"
    return f"{', '.join(f'{hundred(one)}' for one in shares)} %"


def band_words(figure: int, harder: float) -> str:
    """Return what a line of a map says, of which so large a share goes wrong."""
    if figure == HOLDS:
        return ""
    return f"{hundred(harder if figure == THREE_PUTTS else 1.0 - harder)} %"
