"""What the beat asks for: how fast the stroke, how long the beat, where the mark, how long the stroke."""

from orthocline.core.speed import BACK_RANGE_S, BEAT_RANGE_S, Tempo
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.web.shared.fields import FigureForm, QuantityField
from orthocline.wording.figures import tidy
from orthocline.wording.quantities import parse_far_m, parse_near_m, parse_seconds
from orthocline.wording.wording import Wording


def _seconds(text: str, _wording: Wording) -> float:
    return parse_seconds(text)


class BeatForm(FigureForm):
    """The figures of the beat, as they stand in its address."""

    back = QuantityField("Back", _seconds, between=BACK_RANGE_S, allowed="between 0.3 and 1.2 s")
    beat = QuantityField("One beat", _seconds, between=BEAT_RANGE_S, allowed="between 0.8 and 2 s")
    mark = QuantityField(
        "Beat mark",
        parse_far_m,
        between=(0.1, 100.0 * FOOT_M),
        allowed="between 0 and 100 ft (30 m)",
        optional=True,
    )
    stroke = QuantityField(
        "Stroke",
        parse_near_m,
        between=(0.0, 120.0 * INCH_M),
        allowed="between 0 and 120 in (3 m)",
        optional=True,
    )

    def tempo(self) -> Tempo:
        """Return the tempo of a form that validates."""
        usual = Tempo()
        return Tempo(self.back.figure or usual.back_s, self.beat.figure or usual.beat_s)


def tempo_texts(tempo: Tempo) -> dict[str, str]:
    """Return a tempo as the fields say it."""
    return {"back": f"{tidy(tempo.back_s, 2)} s", "beat": f"{tidy(tempo.beat_s, 2)} s"}
