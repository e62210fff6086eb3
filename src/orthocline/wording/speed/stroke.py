"""The calibrated stroke in words."""

from orthocline.core.speed import Findings
from orthocline.wording.figures import tidy
from orthocline.wording.speed.method_words import ROLL_ALLOWED, FigureWords, MethodWords

PAIRED = "Each stroke needs its roll: as many of one as of the other."


def _made_of(findings: Findings) -> str:
    rate = findings.stroke_rate
    assert rate is not None
    sure = tidy(100.0 * rate.within / rate.value, 0)
    return (
        f"From {len(findings.figures['rolls'])} putts on level ground; your calibration is good to {sure} %."
    )


WORDS = MethodWords(
    "calibrated stroke",
    "My stroke",
    "stroke",
    "Putt on level ground with strokes that you measure. Your calibration turns each roll into a speed.",
    {
        "strokes": FigureWords(
            "Length of each stroke, back and through",
            "No putts yet: enter the first one.",
            "between 1 and 60 in (2 and 150 cm)",
            lambda wording: wording.short(0.3),
            "A stroke",
            "Calibrate your stroke first, under My measures.",
        ),
        "rolls": FigureWords(
            "How far each rolled",
            PAIRED,
            ROLL_ALLOWED,
            lambda wording: wording.far(3.0),
            "A roll",
            PAIRED,
        ),
    },
    _made_of,
    "by calibrated stroke,",
)
