"""The beat to putt to."""

from orthocline.core.speed import Beat, tempo_beat
from orthocline.services.account.access import Viewer, open_play


@open_play("The beat")
def stroke_beat(_viewer: Viewer, back_s: float | None) -> Beat:
    """Return the beat of a stroke that takes `back_s` [s] to the top, the usual one for None.

    Two to one: half as long down to the ball, and one second from there to the mark. Refused in Competition.
    """
    return tempo_beat() if back_s is None else tempo_beat(back_s, back_s / 2.0)
