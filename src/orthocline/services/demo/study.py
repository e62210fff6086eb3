"""The study of Breakwater for the demo: worked out once by `scripts/demo_study.py`, for it takes minutes."""

import json
from datetime import datetime
from importlib.resources import files
from typing import Final

from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer
from orthocline.db.ground.models import GreenStudy
from orthocline.db.ground.queries import charts_near, place_named
from orthocline.services.account.access import anyone
from orthocline.services.demo.greens import DEMO_GREENS

BREAKWATER: Final = DEMO_GREENS[5]
SPEEDS_FT: Final = (11.0, 12.0)
LEVEL: Final = "middle"
FILE: Final = "breakwater_study.json"


@anyone
def study_demo(session: Session, golfer: Golfer, made: datetime) -> None:
    """Keep the study of Breakwater with the chart of a golfer."""
    place = BREAKWATER.place
    _, green = place_named(session, golfer.id, place.course, place.green)
    assert green is not None, "it is charted"
    chart = charts_near(session, green)[green.chart_number]
    kept = GreenStudy(golfer_id=golfer.id, green_id=green.id, mark=str(chart.key), level=LEVEL)
    kept.speeds_ft, kept.asked_at, kept.made_at = list(SPEEDS_FT), made, made
    kept.found = json.loads(files("orthocline.services.demo").joinpath(FILE).read_text(encoding="utf-8"))
    session.add(kept)
