"""What is taken along, in words."""

from orthocline.core.units import INCH_M
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording


def held_words(greens: int, pins: int, size: int) -> str:
    """Return what a pack has: ``9 greens, 36 pins, 130 kB``."""
    return (
        f"{greens} {'green' if greens == 1 else 'greens'}, {pins} {'pin' if pins == 1 else 'pins'},"
        f" {round(size / 1000)} kB"
    )


def exact_words(reads: int, near: float, within_m: float, missing: float, wording: Wording) -> str:
    """Return how exact it is, by reads anywhere that were compared with the solver."""
    told = f"Of {reads:,} reads anywhere {tidy(100.0 * near)} % lie within {wording.short(0.5 * INCH_M)}"
    gaps = f"; {tidy(100.0 * missing)} % need a signal" if missing > 0.0 else ""
    return f"{told} of the solver's or 5 % of the break, 95 of 100 within {wording.exact(within_m)}{gaps}."
