"""`make calls`: the figures of the calls' pages in docs/calls, the demo putt with that call's layer lit.

What is held up before the eye has a second one, as it is seen.
"""

from pathlib import Path

from orthocline.core.calls import SCHOOLS
from orthocline.core.roll import read
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.sight.eyes import through_eyes
from orthocline.drawing.sight.framing import Looking, PuttFacts
from orthocline.drawing.svg import svg_file
from orthocline.services.demo.golfer import SPINDRIFT
from orthocline.wording.calls import SAYINGS
from orthocline.wording.wording import USUAL_WORDING

FOLDER = Path(__file__).parents[1] / "docs/calls"


def figures() -> dict[str, str]:
    """Return the figures, by the names of their calls."""
    solved = read(SPINDRIFT.putt)
    drawn = {}
    for name in SCHOOLS:
        says = f"{SAYINGS[name].title(USUAL_WORDING)} on the plan of a putt"
        scene = plan(solved.putt, solved, USUAL_WORDING, says=says, lit=name).scene
        drawn[name] = svg_file(scene)
    for name, school in SCHOOLS.items():
        if school.stance:
            shown = PuttFacts(solved, lit=name, says=SAYINGS[name].title(USUAL_WORDING))
            seen = through_eyes(solved.putt, shown, Looking(), USUAL_WORDING)
            drawn[f"{name}_seen"] = svg_file(seen.scene)
    return drawn


if __name__ == "__main__":
    for name, figure in figures().items():
        (FOLDER / f"{name.replace('_', '-')}.svg").write_text(figure, encoding="utf-8")
