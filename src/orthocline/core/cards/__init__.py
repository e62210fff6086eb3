"""Pocket cards: aim, pace, fingers and dial for one green speed and roll-past, every cell solved."""

from orthocline.core.cards.aim import AimBlock, AimCell, aim_blocks, aim_cell
from orthocline.core.cards.conditions import Conditions
from orthocline.core.cards.dial import dial_shares
from orthocline.core.cards.gauge import finger_cells
from orthocline.core.cards.pace import PaceCell, pace_cells
from orthocline.core.cards.rounding import rounded, step_for

__all__ = [
    "AimBlock",
    "AimCell",
    "Conditions",
    "PaceCell",
    "aim_blocks",
    "aim_cell",
    "dial_shares",
    "finger_cells",
    "pace_cells",
    "rounded",
    "step_for",
]
