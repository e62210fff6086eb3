"""The timed putt in words."""

from orthocline.core.speed import Findings
from orthocline.wording.speed.method_words import ROLL_ALLOWED, FigureWords, MethodWords, always


def _made_of(findings: Findings) -> str:
    count = len(findings.figures["times"])
    ground = "the level's reading taken out" if findings.figures.get("grade") else "ground taken to be level"
    more = "" if count > 2 else " Three times are surer."
    return f"From {count} {'time' if count == 1 else 'times'}, the slide counted; {ground}.{more}"


WORDS = MethodWords(
    "timed putt",
    "Timed putt",
    "timed",
    "Roll a ball on level ground, measure how far, and time it from the strike to rest. 0.15 s of thumb and"
    " half a percent of grade are counted; three times, and a level laid beside it, are surer.",
    {
        "length": FigureWords(
            "Length rolled", "How far did it roll?", ROLL_ALLOWED, lambda wording: wording.far(4.0)
        ),
        "times": FigureWords(
            "Times from strike to rest",
            "No times yet: enter the first one.",
            "between 0.5 and 30 s, such as 3.5 s",
            always("3.5 s"),
            "A time",
            "Check the times: no ball rolls so far in so short a time.",
        ),
        "grade": FigureWords(
            "Level reading, − if down",
            "",
            "between -5 and 5 %",
            lambda wording: "0.4 %" if not wording.units.degrees else "0.2 deg",
        ),
    },
    _made_of,
    "by timed putt,",
)
