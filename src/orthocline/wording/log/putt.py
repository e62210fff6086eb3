"""A logged putt in words: what was asked, what was called, where it stopped."""

from orthocline.core.calls import Answer
from orthocline.core.log import Finish, Ground, Judged, Seen
from orthocline.wording.calls.answers import answer_words
from orthocline.wording.calls.saying import NEAR_M, STRAIGHT_M
from orthocline.wording.figures import side, tidy
from orthocline.wording.wording import Wording

ORDINALS = ("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth")
LEVEL = 0.0005
"""Slopes [ratio] below this are not said."""


def putt_words(length_m: float | None, ground: Ground | None, wording: Wording) -> str:
    """Return length, tilt, rise and speed of a putt; without a read its length alone."""
    words = [wording.far(length_m) if length_m is not None else "length not noted"]
    if ground:
        tilt, grade, speed_ft = ground
        words.append(f"{wording.slope(abs(tilt))} {side(tilt)}" if abs(tilt) > LEVEL else "no side tilt")
        if abs(grade) > LEVEL:
            words.append(f"{wording.slope(abs(grade))} {'up' if grade > 0 else 'down'}")
        words.append(f"speed {tidy(speed_ft)}")
    return " · ".join(words)


def called_words(
    aim_right_m: float | None, past_m: float | None, wording: Wording, width_m: float = 0.0
) -> str:
    """Return the aim and the pace that a read called, the aim rounded to what its range bears."""
    pace = f"{wording.short(past_m)} past" if past_m is not None else "will not stop past the hole"
    return f"{aim_words('aim ', aim_right_m, wording, width_m) or 'no aim mark'}, {pace}"


def aim_words(lead: str, right_m: float | None, wording: Wording, width_m: float = 0.0) -> str:
    """Return an aim after a `lead`; empty for none."""
    if right_m is None:
        return ""
    if abs(wording.borne(right_m, width_m)) < STRAIGHT_M:
        return f"{lead}at the centre"
    return f"{lead}{wording.short(right_m, width_m)} {side(right_m)}"


def played_words(own_m: float | None, corrected_by: float | None, wording: Wording) -> str:
    """Return where an own read was played, if it was corrected: ``played 18 in right by your correction``."""
    if own_m is None or corrected_by is None:
        return ""
    aim_m = corrected_by * own_m
    return f"played {wording.short(abs(aim_m))} {side(aim_m)} by your correction"


def impression_words(
    impression_m: float | None, own_m: float | None, read_m: float | None, wording: Wording
) -> str:
    """Return the first impression, and whether it or the own read was nearer the read; empty for none."""
    if impression_m is None:
        return ""
    said = aim_words("first impression ", impression_m, wording)
    if own_m is None or read_m is None:
        return said
    off = abs(impression_m - read_m) - abs(own_m - read_m)
    if abs(off) < STRAIGHT_M:
        return f"{said}, as near"
    return f"{said}, {'the nearer' if off < 0.0 else 'further off'}"


def own_read_words(aim_right_m: float | None, answer: Answer | None, wording: Wording) -> str:
    """Return the golfer's own read: ``own read 9 in left``, ``own read 2½ fingers left (9 in left)``."""
    if answer is None or answer.name == "aim_spot":
        return aim_words("own read ", aim_right_m, wording)
    said = f"own read {answer_words(answer, wording)}"
    if aim_right_m is None or not answer.school.of_aim:
        return said
    return f"{said} ({aim_words('', aim_right_m, wording)})"


def finish_words(holed: bool | None, finish: Finish | None, wording: Wording) -> str:
    """Return where a putt finished, from the hole; empty while that is not known."""
    if holed is None:
        return ""
    if finish is None:
        return "holed" if holed else "missed"
    along, across = finish.along_m, finish.across_m
    words = []
    if abs(along) >= NEAR_M:
        words.append(f"{wording.short(along)} {'past' if along > 0 else 'short'}")
    if abs(across) >= NEAR_M:
        words.append(f"{wording.short(across)} {side(across)}")
    return ", ".join(words) or "on the edge"


def seen_words(seen: Seen, *, by_device: bool = False) -> str:
    """Return what was seen of a roll: ``started left, passed right``; empty for nothing."""
    words = []
    if seen.started_right is not None:
        words.append(f"started {('left', 'on its line', 'right')[seen.started_right + 1]}")
    if seen.passed_right:
        words.append(f"passed {side(seen.passed_right)}")
    if seen.gate_touched is not None:
        words.append("touched the gate" if seen.gate_touched else "clear of the gate")
    if seen.struck_centre is not None:
        words.append("struck in the middle" if seen.struck_centre else "struck off centre")
    if by_device:
        words.append("rolled by a device")
    return ", ".join(words)


def judged_words(judged: Judged) -> str:
    """Return what the golfer says of a putt: ``read right, pace off, committed``; empty for nothing."""
    told = (("read", judged.read), ("line", judged.line), ("pace", judged.pace))
    words = [f"{name} {'right' if good else 'off'}" for name, good in told if good is not None]
    if judged.committed is not None:
        words.append("committed" if judged.committed else "not committed")
    return ", ".join(words)


def turn_words(hole: int | None, number: int) -> str:
    """Return which putt of which hole it is: ``hole 4``, ``hole 4, second putt``; empty for a first one."""
    words = [f"hole {hole}"] if hole is not None else []
    if number > 1:
        words.append(f"{ORDINALS[min(number, len(ORDINALS)) - 1]} putt")
    return ", ".join(words)
