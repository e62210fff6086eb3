"""Pocket cards: aim, pace, fingers and dial for one green speed and roll-past, every cell solved."""

from orthocline.core.cards.aim import aim_cell, aim_cells
from orthocline.core.cards.cell import HALF, Cell, rounded
from orthocline.core.cards.conditions import Conditions
from orthocline.core.cards.dial import HOURS, DialColumn, dial_columns
from orthocline.core.cards.gauge import finger_cells
from orthocline.core.cards.limits import LARGEST_MAP, LARGEST_PAGE_M, BookSize
from orthocline.core.cards.pace import Pace, PaceRow, pace_rows
from orthocline.core.cards.solved import Cards, Cells, Grid, cards_of

__all__ = [
    "HALF",
    "HOURS",
    "LARGEST_MAP",
    "LARGEST_PAGE_M",
    "BookSize",
    "Cards",
    "Cell",
    "Cells",
    "Conditions",
    "DialColumn",
    "Grid",
    "Pace",
    "PaceRow",
    "aim_cell",
    "aim_cells",
    "cards_of",
    "dial_columns",
    "finger_cells",
    "pace_rows",
    "rounded",
]
