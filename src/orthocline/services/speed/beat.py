"""The beat to putt to."""

from orthocline.core.speed import Beat, Tempo, tempo_beat
from orthocline.services.account.access import Viewer, open_play


@open_play("The beat")
def stroke_beat(_viewer: Viewer, tempo: Tempo) -> Beat:
    """Return the beat of a tempo; refused in Competition."""
    return tempo_beat(tempo)
