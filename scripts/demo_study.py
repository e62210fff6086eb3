"""Work out the study of Breakwater that the demo has, on all cores of this machine: some minutes.

usage: demo_study.py [SECONDS]: with a number no longer than that, to see how fast it goes.
"""

import json
import sys
import time
from contextlib import closing
from pathlib import Path

import numpy as np

from orthocline.core.chart import Known, surveyed
from orthocline.core.relief import Outline
from orthocline.engine.blocks import worked_out
from orthocline.formats.study_part import study_members
from orthocline.services.demo import study
from orthocline.services.demo.golfer import OF_GREENS, SEED
from orthocline.services.demo.greens import DEMO_GREENS, demo_charts
from orthocline.services.ground.studying import Plan, played_of

TO = Path(study.__file__).parent / study.FILE


def main(seconds=float("inf")):
    """Work it out, and write it down once it is whole."""
    charts = demo_charts(np.random.default_rng(SEED + OF_GREENS))
    chart = charts[DEMO_GREENS.index(study.BREAKWATER)]
    known = Known(surveyed(chart.readings, {}), Outline(chart.corners), chart.grain)
    plan = Plan(known, study.SPEEDS_FT, study.LEVEL)
    rows, begun = {}, time.monotonic()
    with closing(worked_out(played_of, plan.studies, [plan.item(i) for i in range(plan.size)])) as found:
        for number, played in found:
            rows[number] = played
            if time.monotonic() - begun > seconds:
                break
    lasted = time.monotonic() - begun
    rolls = sum(one.rolls for one in rows.values())
    print(f"{len(rows):,} of {plan.size:,} in {lasted:.0f} s, {rolls / lasted:,.0f} rolls a second")
    if len(rows) == plan.size:
        count = len(plan.places)
        played = [[rows[speed * count + i] for i in range(count)] for speed in range(len(study.SPEEDS_FT))]
        TO.write_text(json.dumps(study_members(plan.places, played)) + "\n", encoding="utf-8")


if __name__ == "__main__":
    main(*map(float, sys.argv[1:]))
