"""The whole answer with every call: solved, said, drawn, seen; and an own read turned back into a launch."""

import gzip
import json
import statistics
import time
from pathlib import Path

from bars import bar
from orthocline.core.calls import SCHOOLS, USUAL_GOLFER
from orthocline.core.ground import STOPS
from orthocline.core.roll import read, roll_of
from orthocline.drawing.roll.plan import plan
from orthocline.drawing.sight.eyes import through_eyes
from orthocline.drawing.sight.framing import Looking, PuttFacts
from orthocline.drawing.svg import svg
from orthocline.formats.putt_document import putt_of
from orthocline.wording.read.call import call
from orthocline.wording.wording import USUAL_WORDING

BARS_MS = {"a plane": (25, 15), "a surveyed green": (40, 30)}
DATA = Path(__file__).parents[1] / "tests/data"


def bench_calls():
    putts = {
        "a plane": [case["putt"] for case in cases("putts") if case["putt"]["surface"]["kind"] == "plane"],
        "a surveyed green": [case["putt"] for case in cases("survey")],
    }
    for ground, documents in putts.items():
        times = [milliseconds(whole, putt_of(document)) for document in documents]
        back = [took for document in documents for took in turned_back(putt_of(document))]
        answer, seen_ms = BARS_MS[ground]
        bar(f"whole answer with every call on {ground}, median", statistics.median(times), "ms", most=answer)
        for stop in ("ball", "low_side", "hole"):
            seen = [seen_from(putt_of(document), STOPS[stop]) for document in documents]
            largest = max(size for _, size in seen) / 1024
            what, took = (
                f"through the eyes on {ground}, from {stop.replace('_', ' ')}",
                [ms for ms, _ in seen],
            )
            bar(f"{what}, median", statistics.median(took), "ms", most=seen_ms)
            bar(f"{what}, packed at most", largest, "kB", most=8)
        print(f"  an own read turned back: median {statistics.median(back):.1f} ms, most {max(back):.0f} ms")


def spread(times):
    return f"median {statistics.median(times):.1f} ms, most {max(times):.0f} ms of {len(times)}"


def seen_from(putt, stop):
    """Return how long [ms] a solved putt takes to be drawn as it is seen, and how large that is [byte]."""
    solved = read(putt)
    shown = PuttFacts(solved, {"your read": roll_of(putt, solved.aim, solved.aim.launch)})
    start = time.perf_counter()
    drawn = svg(through_eyes(putt, shown, Looking(stop), USUAL_WORDING).scene)
    return 1e3 * (time.perf_counter() - start), len(gzip.compress(drawn.encode()))


def cases(name):
    return json.loads((DATA / f"reference-{name}.json").read_text())


def whole(putt):
    """Solve a putt, say it in every school's words, and draw it with a call lit."""
    solved = read(putt)
    said = call(solved)
    assert len(said.lines) > 4
    svg(plan(putt, solved, said.wording, says=said.sentence, lit="hand_gauge").scene)


def turned_back(putt):
    """Yield how long [ms] each school's answer takes to be a launch."""
    solved = read(putt)
    for school in SCHOOLS.values():
        value = school.value(solved, USUAL_GOLFER)
        figures = school.figures(solved, value) if value is not None and school.launch else None
        if figures:
            yield milliseconds(school.launch, putt, figures, USUAL_GOLFER)


def milliseconds(work, *arguments):
    start = time.perf_counter()
    work(*arguments)
    return 1e3 * (time.perf_counter() - start)


if __name__ == "__main__":
    bench_calls()
