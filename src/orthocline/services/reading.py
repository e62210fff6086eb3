"""Read a putt, and set the golfer's own read beside it."""

from orthocline.core.api import OwnRoll, Putt, Read, own_roll, read
from orthocline.services.mode import Mode, require_practice


def read_putt(putt: Putt, mode: Mode) -> Read:
    """Return the read of a putt; refused in Competition."""
    require_practice(mode, "The read")
    return read(putt)


def compare_own(answer: Read, aim_right_m: float, mode: Mode) -> OwnRoll:
    """Return the roll of the golfer's own aim at the read's pace; refused in Competition."""
    require_practice(mode, "Comparing your own read")
    return own_roll(answer.putt, answer.aim, aim_right_m)


def require_roll(mode: Mode) -> None:
    """Refuse Roll it and its one-second beat in Competition."""
    require_practice(mode, "Roll it, with its beat,")
