"""A way of measuring that nobody uses: the height of a bounce, a foot of speed per ten centimetres."""

from orthocline.core.estimate import Estimate, mean_estimate
from orthocline.core.speed import METHODS, Figure, Quantity, SpeedMethod
from orthocline.drawing.scene import Disc, Sign
from orthocline.drawing.speed.method_marks import METHOD_MARKS
from orthocline.wording.speed.method_words import FigureWords, MethodWords, always
from orthocline.wording.speed.methods import METHOD_WORDS

NAME = "bounce"
METRES_A_FOOT = 0.1


def speed(findings) -> Estimate:
    return mean_estimate([height / METRES_A_FOOT for height in findings.figures["heights"]], 0.03)


WORDS = MethodWords(
    "bounced ball",
    "Bounce",
    "bounce",
    "Drop a ball and measure how high it bounces.",
    {
        "heights": FigureWords(
            "Heights", "No heights yet.", "between 1 and 80 in", always("40 in"), "A height"
        )
    },
    lambda findings: f"From {len(findings.figures['heights'])} bounces.",
    "by bounce,",
)


def mark(at):
    return Disc(at, 5.0, Sign.QUIET, name=NAME)


def add(monkeypatch):
    heights = Figure("heights", Quantity.NEAR, (0.025, 2.0), many=True)
    monkeypatch.setitem(METHODS, NAME, SpeedMethod(NAME, (heights,), speed))
    monkeypatch.setitem(METHOD_WORDS, NAME, WORDS)
    monkeypatch.setitem(METHOD_MARKS, NAME, mark)
