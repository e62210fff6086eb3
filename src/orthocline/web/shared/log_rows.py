"""The log's variables: each putt in words, with a small drawing of its finish."""

import math
from dataclasses import dataclass

from orthocline.core.constants import HOLE_RADIUS_M
from orthocline.core.units import INCH_M
from orthocline.services.log.putts import Entry
from orthocline.wording.figures import Wording, side, tidy

NEAR_M = 0.5 * INCH_M
SMALL, SMALL_SPAN_M = 56.0, 1.5
"""Side of the small drawing, and how far from the hole its edge is [m]."""


@dataclass(frozen=True)
class Row:
    """One putt of the log.

    Attributes
    ----------
    asked : str
        Length, tilt and rise.
    called : str
        The read's aim and pace; empty without a read, and in Competition.
    own : str
        The golfer's own aim, if any.
    finish : str
        Where it stopped, or empty until that is recorded.
    dot : tuple of float, or None
        The finish on the small drawing.
    """

    id: int
    when: str
    iso: str
    place: str
    asked: str
    called: str
    own: str
    finish: str
    holed: bool | None
    note: str
    dot: tuple[float, float] | None


def row(entry: Entry, wording: Wording) -> Row:
    """Return a logged putt as the list shows it."""
    return Row(
        id=entry.id,
        when=f"{entry.created_at:%-d %b, %H:%M}",
        iso=entry.created_at.isoformat(timespec="minutes"),
        place=entry.place,
        asked=_asked(entry, wording),
        called=_called(entry, wording),
        own=_aim("own read ", entry.own_aim_right_m, wording),
        finish=finish_words(entry, wording),
        holed=entry.holed,
        note=entry.note,
        dot=_dot(entry),
    )


def _asked(entry: Entry, wording: Wording) -> str:
    words, asked = [wording.far(entry.length_m)], entry.putt
    if asked:
        tilt = asked.surface.side_tilt_right(asked.bearing_rad)
        grade = asked.surface.grade(asked.bearing_rad)
        words.append(f"{wording.slope(abs(tilt))} {side(tilt)}" if abs(tilt) > 0.0005 else "no side tilt")
        if abs(grade) > 0.0005:
            words.append(f"{wording.slope(abs(grade))} {'up' if grade > 0 else 'down'}")
        words.append(f"speed {tidy(asked.green_speed_ft)}")
    return " · ".join(words)


def _called(entry: Entry, wording: Wording) -> str:
    read = entry.read
    if not read:
        return ""
    past = read["past_m"]
    pace = f"{wording.short(past)} past" if past is not None else "will not stop past the hole"
    return f"{_aim('aim ', read['aim_right_m'], wording) or 'no aim mark'}, {pace}"


def _aim(lead: str, right_m: float | None, wording: Wording) -> str:
    if right_m is None:
        return ""
    if abs(right_m) < 0.125 * INCH_M:
        return f"{lead}at the centre"
    return f"{lead}{wording.short(right_m)} {side(right_m)}"


def finish_words(entry: Entry, wording: Wording) -> str:
    """Return where a putt finished, from the hole."""
    if entry.holed is None:
        return ""
    if entry.finish is None:
        return "holed"
    along, across = entry.finish.along_m, entry.finish.across_m
    words = []
    if abs(along) >= NEAR_M:
        words.append(f"{wording.short(along)} {'past' if along > 0 else 'short'}")
    if abs(across) >= NEAR_M:
        words.append(f"{wording.short(across)} {side(across)}")
    return ", ".join(words) or "on the edge"


def _dot(entry: Entry) -> tuple[float, float] | None:
    if entry.finish is None:
        return None
    along, across = entry.finish.along_m, entry.finish.across_m
    shrink = min(1.0, SMALL_SPAN_M / max(math.hypot(along, across), HOLE_RADIUS_M))
    scale = shrink * (SMALL / 2 - 5) / SMALL_SPAN_M
    return round(SMALL / 2 + across * scale, 1), round(SMALL / 2 - along * scale, 1)
