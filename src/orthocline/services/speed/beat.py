"""The beat to putt to."""

from orthocline.core.speed import Beat, tempo_beat
from orthocline.services.account.mode import Mode, require_open_play


def stroke_beat(mode: Mode, back_s: float | None) -> Beat:
    """Return the beat of a stroke that takes `back_s` [s] to the top, the usual one for None.

    Two to one: half as long down to the ball, and one second from there to the mark. Refused in Competition.
    """
    require_open_play(mode, "The beat")
    return tempo_beat() if back_s is None else tempo_beat(back_s, back_s / 2.0)
