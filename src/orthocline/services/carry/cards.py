"""Pocket cards: what is asked of them, and their faces."""

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from functools import lru_cache
from typing import Any, Final

from sqlalchemy.orm import Session

from orthocline.core.calls import GolferFigures
from orthocline.core.cards import Cards, Conditions, Grid, cards_of
from orthocline.core.constants import MODEL_VERSION
from orthocline.core.units import FOOT_M, PERCENT
from orthocline.drawing.carry.card import card_face
from orthocline.drawing.svg import svg_file
from orthocline.formats.paper import Size
from orthocline.services.account.access import Viewer, open_play
from orthocline.services.account.measures import golfer_figures, own_measures, wording_of
from orthocline.services.carry.pages import Page, Pages
from orthocline.wording.carry.cards import KINDS, Face, faces_of
from orthocline.wording.figures import speed_text
from orthocline.wording.wording import Wording

CARD_SIZES: Final[Mapping[str, Size]] = {"pocket": Size(66.0, 98.0), "large": Size(101.6, 150.9)}
"""How large cards are printed, by name."""
MOST_LENGTHS, MOST_TILTS = 12, 4
DIAL_FT, DIAL_M = 10.0 * FOOT_M, 3.0
"""The dial is that of ten-foot putts, or of three metres."""
ROOM: Final = "Making cards"
HELD: Final = 32
"""Cards of so many speeds are held in memory, for whoever looks next."""


@dataclass(frozen=True)
class CardsAsked:
    """What is asked of cards.

    Attributes
    ----------
    speeds_ft : tuple of float
        Green speeds [ft], a set of cards each.
    past_m : float
        Roll-past [m].
    lengths_m, tilts : tuple of float
        Rows [m] and columns [ratio].
    rise : float
        Of the cards for uphill and downhill [ratio]; 0 for the level ones alone.
    kinds : tuple of str
        Which cards.
    size, paper : str
        How large, and printed on what.
    """

    speeds_ft: tuple[float, ...]
    past_m: float
    lengths_m: tuple[float, ...]
    tilts: tuple[float, ...]
    rise: float
    kinds: tuple[str, ...] = tuple(KINDS)
    size: str = "pocket"
    paper: str = "a4"

    @property
    def document(self) -> dict[str, Any]:
        """The same as open data."""
        return asdict(self)

    @classmethod
    def of(cls, document: Mapping[str, Any]) -> "CardsAsked":
        """Return what is asked, from `document`."""
        values: dict[str, Any] = {
            name: tuple(one) if isinstance(one, list) else one for name, one in document.items()
        }
        return cls(**values)


def usual_cards(speeds_ft: tuple[float, ...], past_m: float, *, metric: bool) -> CardsAsked:
    """Return what is asked by whoever asks for nothing else."""
    lengths = (1.0, 1.5, 2.5, 4.0, 6.0, 9.0) if metric else (3.0, 5.0, 8.0, 12.0, 20.0, 30.0)
    unit = 1.0 if metric else FOOT_M
    tilts = tuple(PERCENT * one for one in (1.0, 2.0, 3.0, 4.0))
    return CardsAsked(speeds_ft, past_m, tuple(unit * one for one in lengths), tilts, 2.0 * PERCENT)


@open_play(ROOM)
def faces(
    _viewer: Viewer, asked: CardsAsked, golfer: GolferFigures, wording: Wording, day: str
) -> list[Face]:
    """Return the faces of all cards that are asked for, made on a day."""
    rises = (0.0, asked.rise, -asked.rise) if asked.rise else (0.0,)
    dial_m = DIAL_M if wording.units.metric else DIAL_FT
    grid = Grid(asked.lengths_m, asked.tilts, rises, dial_m)
    return [
        face
        for speed in asked.speeds_ft
        for face in faces_of(
            _solved(Conditions(speed, asked.past_m), grid, golfer), asked.kinds, wording, day
        )
    ]


@lru_cache(HELD)
def _solved(conditions: Conditions, grid: Grid, golfer: GolferFigures) -> Cards:
    return cards_of(conditions, grid, golfer)


@open_play(ROOM)
def cards_title(_viewer: Viewer, _session: Session, asked: Mapping[str, Any]) -> str:
    """Return what cards are called: ``Cards for 9.5 and 10.2``."""
    speeds = [speed_text(one) for one in asked["speeds_ft"]]
    return f"Cards for {' and '.join((', '.join(speeds[:-1]), speeds[-1]) if speeds[1:] else speeds)}"


@open_play(ROOM)
def cards_inputs(viewer: Viewer, session: Session, _asked: Mapping[str, Any]) -> list[str]:
    """Return what cards depend on besides what is asked: the golfer and the model."""
    own = own_measures(viewer, session)
    return [MODEL_VERSION, repr(golfer_figures(own)), repr(wording_of(own))]


@open_play(ROOM)
def cards_pages(viewer: Viewer, session: Session, asked: Mapping[str, Any]) -> Pages:
    """Return the pages of cards."""
    own = own_measures(viewer, session)
    told = {name: one for name, one in asked.items() if name != "day"}
    wanted = CardsAsked.of(told)
    made = faces(viewer, wanted, golfer_figures(own), wording_of(own), asked["day"])
    pages = tuple(
        Page(f"{face.speed}: {face.title}", svg_file(card_face(face), printed=True)) for face in made
    )
    return Pages(pages, CARD_SIZES[wanted.size], wanted.paper)
