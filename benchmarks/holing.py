"""How often and how firm: shares and best paces against separate programs, and how long the answers take."""

import json
import math
import statistics
import time
from pathlib import Path

import numpy as np

from applications import unlimited
from bars import bar
from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.ground import Plane
from orthocline.core.holing import RoundHole, SecondPutts, Ways, outlook_of
from orthocline.core.roll import Point, Putt, RollPast, aims
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.formats.putt_document import putt_of

DATA = Path(__file__).parents[1] / "tests/data"
PUBLISHED = {4: 88, 5: 77, 8: 50, 10: 40, 15: 23, 20: 15, 30: 7}
THREE_PUTTS = {30: 5, 40: 10, 60: 20}
RUNS = 30
BEST = (
    # feet, tilt, downhill [deg], speed; tournament: first and last best [in], putts; middle: the same
    (10, 0.015, -90, 10, (18, 24, 1.660), (12, 12, 1.837)),
    (10, 0.03, 17, 11, (18, 24, 1.587), (12, 18, 1.811)),
    (10, 0.03, 163, 10, (12, 18, 1.612), (6, 12, 1.848)),
    (30, 0.015, -90, 10, (6, 6, 1.971), (1, 6, 2.194)),
    (5, 0.02, -90, 10, (24, 24, 1.359), (18, 18, 1.585)),
)
PARTS = {"/read": "the call", "/firm/window": "the make window", "/firm": "how firm"}
ON_PLANE_MS = {"/read": 25, "/firm/window": 60, "/firm": 150}
IN_PLACES_MS = {"/read": 60, "/firm/window": 150, "/firm": 1000}
READINGS = {"spot-0-at": "1/4", "spot-1-at": "3/4", "spot-0-by": "level", "spot-1-by": "level"}


class MeanOfWays(SecondPutts):
    """Second putts as the separate program has them: the mean over all directions."""

    def holed(self, from_hole):
        """Return the share holed at each distance, whichever way."""
        away, ways = np.hypot(*from_hole.T), np.linspace(0.0, 2.0 * math.pi, 24, endpoint=False)
        rings = [away[:, None] * (math.cos(way), math.sin(way)) for way in ways.tolist()]
        return np.mean([super(MeanOfWays, self).holed(ring) for ring in rings], axis=0)


def bench_holing(url):
    """Print how near shares and best paces are, and how long the call, the window and the advice take."""
    bench_shares()
    bench_best()
    bench_surveyed()
    bench_parts(url)


def bench_shares():
    """Shares of `sureness.json`, and of tournament golfers as they are published."""
    reference = json.loads((DATA / "reference-sureness.json").read_text())
    off = []
    for case in reference["cases"]:
        putt = putt_of(case["putt"])
        for level, share in case["expect"]["holed"].items():
            off.append(100 * (some_outlook(putt, level).chances.holed - share))
    told = f"a separate program's 40,000 rolls; {np.mean(off):+.2f} on the mean"
    bar(f"{len(off)} shares holed, off at worst by", np.abs(off).max(), "points", most=1.5, against=told)
    for name, expected in (("holed", PUBLISHED), ("three_putts", THREE_PUTTS)):
        found = {feet: 100 * np.mean([getattr(one, name) for one in sixty(feet)]) for feet in expected}
        said = ", ".join(f"{feet} ft {found[feet]:.0f} ({percent})" for feet, percent in expected.items())
        worst = max(abs(found[feet] - percent) for feet, percent in expected.items())
        what = f"tournament golfers, {name.replace('_', '-')}, off from what is published by"
        bar(what, worst, "points", most=3, against=f"of 100: {said}")


def some_outlook(putt, level):
    """Return the outlook of a putt for a usual golfer."""
    return outlook_of(putt, aims(putt)[0], GOLFERS[level], USUAL_PASTS)


def sixty(feet):
    """Yield the chances of sixty putts of a length as tournament golfers meet them."""
    rng = np.random.default_rng(5)
    for _ in range(60):
        plane = Plane(abs(rng.normal(0.015, 0.007)), rng.uniform(-math.pi, math.pi))
        putt = Putt(Point(0, 0), Point(feet * FOOT_M, 0), plane, rng.normal(11.0, 0.6), RollPast(FOOT_M))
        yield some_outlook(putt, "tournament").chances


def bench_best():
    """Best paces, the next putt as the mean over all directions, and from where the miss stops."""
    for feet, tilt, downhill, speed, *expected in BEST:
        plane = Plane(tilt, math.radians(downhill))
        putt = Putt(Point(0, 0), Point(feet * FOOT_M, 0), plane, speed, RollPast(FOOT_M))
        for level, (first, last, putts) in zip(("tournament", "middle"), expected, strict=True):
            golfer, said = GOLFERS[level], []
            for kind in (MeanOfWays, SecondPutts):
                found = Ways(putt, golfer, kind(RoundHole(putt, USUAL_PASTS), golfer)).advice
                best, more = found.best_m / INCH_M, found.best_putts - putts
                off = max(first - best, best - last, 0.0)
                said.append(f"{best:.0f} in ({off:.0f} off), {found.best_putts:.3f} ({more:+.3f})")
            asked = f"{feet} ft, {100 * tilt:g} % at {downhill}, {level}"
            print(f"best of {asked}: mean of ways {said[0]}; from where it stops {said[1]}")


def bench_surveyed():
    """The same on surveyed greens, without the page round it."""
    times = {"advice and its table": [], "make window": []}
    for case in json.loads((DATA / "reference-survey.json").read_text()):
        putt = putt_of(case["putt"])
        outlook = some_outlook(putt, "middle")
        for name, work in zip(times, (lambda one: one.advice, lambda one: one.field), strict=True):
            start = time.perf_counter()
            work(outlook)
            times[name].append(1e3 * (time.perf_counter() - start))
    for name, ms in times.items():
        print(f"{name} on a surveyed green: median {statistics.median(ms):.0f} ms, most {max(ms):.0f} ms")


def bench_parts(url):
    """Server time of the call, the make window and the advice, each of a putt never seen before."""
    app = unlimited(url, WTF_CSRF_ENABLED=False)
    client = app.test_client()
    for name, ground, most in (("a plane", {}, ON_PLANE_MS), ("readings in places", READINGS, IN_PLACES_MS)):
        for number, part in enumerate(PARTS):
            times = [timed(client, part, ground, i + 0.01 * number) for i in range(RUNS)]
            said = f"95 % within {np.percentile(times, 95):.0f} ms"
            bar(
                f"{PARTS[part]} on {name}, median",
                statistics.median(times),
                "ms",
                most=most[part],
                against=said,
            )
    kept = [timed(client, "/firm", {}, 3.02) for _ in range(RUNS)]
    bar("how firm, of the same putt again, median", statistics.median(kept), "ms")
    app.extensions["orthocline_engine"].dispose()


def timed(client, part, ground, i):
    """Return how long [ms] a part of a putt takes that is as long as no other."""
    fields = {
        "length": f"{8 + 0.6 * i:.3f} ft",
        "side": f"{1.2 + 0.02 * i:.3f} %",
        "past": "12 in",
        "speed": "10",
    }
    for at in ("0", "1") if ground else ():
        fields |= {f"spot-{at}-falls": "left", f"spot-{at}-size": f"{1 + int(at) + 0.01 * i:.3f} %"}
    start = time.perf_counter()
    answer = client.get(part, query_string=fields | ground, headers={"HX-Request": "true"})
    assert answer.status_code == 200
    return 1e3 * (time.perf_counter() - start)
