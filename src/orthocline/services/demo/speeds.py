"""A season of green speeds at the invented Ternholm Links, and the invented golfer's own measures."""

import math
from datetime import UTC, datetime, timedelta

import numpy as np
from sqlalchemy.orm import Session

from orthocline.core.estimate import Estimate
from orthocline.core.speed import (
    STANDARD_RAMP,
    HiddenGreen,
    one_way,
    posted_speed,
    setting_up,
    simulated_roll_m,
    speed_from_rolls,
)
from orthocline.core.units import FOOT_M, INCH_M, PERCENT
from orthocline.db.account.models import Golfer
from orthocline.formats.sheet import Noted, Sheet
from orthocline.services.account.access import Viewer, anyone
from orthocline.services.account.measures import keep_measures
from orthocline.services.account.trials import add_slope_pair, add_stride_trial, add_stroke_putt
from orthocline.services.ground.places import Place
from orthocline.services.speed.book import Condition, keep_speed
from orthocline.wording.wording import USUAL_WORDING

COURSE = "Ternholm Links"
PRACTICE_GREEN = "practice green"
WEEKS = 26
"""The season begins so many weeks ago."""
SPRING_FT, SUMMER_GAIN_FT = 9.2, 1.3
TODAY_FT = 10.4
"""What the green is this morning; the ramp finds 10.2, as the demo putt has it."""
USUAL_RAMP = {
    "length": (Noted("30 in", 30.0 * INCH_M),),
    "angle": (Noted("20 deg", 20.0),),
    "groove": (Noted("145 deg", 145.0),),
}
NOTES = {
    3: "Sanded on Tuesday: bumpy.",
    11: "Rolled for the club championship.",
    17: "A week of rain.",
    22: "Dew until nine.",
}


@anyone
def load_demo_speeds(session: Session, golfer: Golfer, rng: np.random.Generator) -> None:
    """Keep a season of speeds, up to this morning, and the golfer's own measures."""
    morning = datetime.now(UTC).astimezone().replace(hour=7, minute=40, second=0, microsecond=0)
    if morning > datetime.now(UTC):
        morning -= timedelta(days=1)
    for week in range(WEEKS):
        when = morning - timedelta(days=7 * (WEEKS - week), minutes=float(rng.integers(-60, 200)))
        season = math.sin(math.pi * (week + 1) / (WEEKS + 1))
        speed = SPRING_FT + SUMMER_GAIN_FT * season + float(rng.normal(0.0, 0.25))
        _ramp(session, golfer, rng, speed, when, _condition(rng, week))
        if week % 4 == 1:
            posted = posted_speed(round(2.0 * (speed + float(rng.normal(0.0, 0.4)))) / 2.0)
            _keep(
                session, golfer, posted, "posted", when - timedelta(minutes=35), Condition(), _board(posted)
            )
    _ramp(session, golfer, rng, TODAY_FT, morning, _condition(rng, WEEKS, "Firm after three dry days."))
    _own_measures(session, golfer)


SLOPES = {
    "feet": ((1.0, 0.6), (2.0, 1.7), (3.0, 2.2), (4.0, 2.9), (2.5, 1.4), (1.5, 1.2)),
    "eye": ((1.0, 1.4), (2.0, 1.6), (3.0, 3.5)),
}
"""Wren's feet, and eyes that are not known yet: guesses and what the level said, in percent."""


def _condition(rng: np.random.Generator, week: int, note: str = "") -> Condition:
    return Condition(
        mowing="mown today" if rng.random() < 0.7 else "mown yesterday",
        moisture=str(rng.choice(("dry", "damp"), p=(0.7, 0.3))),
        firmness=str(rng.choice(("medium", "firm"))),
        trueness=int(rng.integers(3, 6)),
        smoothness=int(rng.integers(3, 6)),
        note=note or NOTES.get(week, ""),
    )


def _ramp(
    session: Session,
    golfer: Golfer,
    rng: np.random.Generator,
    speed_ft: float,
    when: datetime,
    condition: Condition,
) -> None:
    """Keep a speed from three rolls each way of the standard ramp on a gentle slope, taped to the inch."""
    green = HiddenGreen(speed_ft, float(rng.normal(0.0, 0.005)), 0.0)
    set_up = setting_up(green, rng)
    rolls = {
        back: [simulated_roll_m(green, STANDARD_RAMP, back=back, set_up=set_up, rng=rng) for _ in range(3)]
        for back in (False, True)
    }
    taped = {back: [round(roll / INCH_M) * INCH_M for roll in made] for back, made in rolls.items()}
    measured_ft = speed_from_rolls(one_way(taped[False]), one_way(taped[True])).speed_ft
    rolled = {
        "back" if back else "out": tuple(Noted(USUAL_WORDING.taped(roll), roll) for roll in made)
        for back, made in taped.items()
    }
    sheet = Sheet(USUAL_RAMP | rolled, {"rails": "groove"})
    _keep(session, golfer, measured_ft, "ramp", when, condition, sheet)


def _board(posted_ft: Estimate) -> Sheet:
    noted = Noted(f"{posted_ft.value:g}", posted_ft.value)
    return Sheet({"posted": (noted,)}, {"by": "posted"})


def _keep(
    session: Session,
    golfer: Golfer,
    speed_ft: Estimate,
    method: str,
    when: datetime,
    condition: Condition,
    evidence: Sheet,
) -> None:
    keep_speed(
        Viewer(golfer),
        session,
        speed_ft=speed_ft,
        method=method,
        place=Place(COURSE, PRACTICE_GREEN),
        measured_at=when,
        evidence=evidence,
        condition=condition,
    )


def _own_measures(session: Session, golfer: Golfer) -> None:
    keep_measures(
        Viewer(golfer),
        session,
        {
            "units": "feet",
            "slopes": "percent",
            "bend": "break",
            "hand": "right",
            "eye": "left",
            "golfer_level": "low",
            "pace": "usual",
            "shoe_m": 11.5 * INCH_M,
            "finger_1_m": 0.018,
            "finger_2_m": 0.019,
            "finger_3_m": 0.017,
            "finger_4_m": 0.014,
            "finger_5_m": 0.021,
            "arm_full_m": 0.66,
            "arm_bent_m": 0.44,
            "arm_bent_speed_ft": 10.2,
            "eye_height_m": 1.58,
            "lean": None,
            "crouch_height_m": None,
            "stand_m": None,
            "shaft_m": None,
            "shaft_left_m": 0.0005,
            "shaft_right_m": -0.0055,
            "sight": "either",
            "start_aid": "spot",
            "stance_m": 17.0 * INCH_M,
            "usual_past_m": 9.0 * INCH_M,
            "usual_past_uphill_m": 12.0 * INCH_M,
            "usual_past_downhill_m": 6.0 * INCH_M,
            "start_line_rad": None,
            "energy": None,
            "read_share": None,
        },
    )
    for paces, tape_ft in ((10.0, 28.2), (10.0, 27.9), (20.0, 56.5)):
        add_stride_trial(Viewer(golfer), session, paces=paces, tape_m=tape_ft * FOOT_M)
    for sense, pairs in SLOPES.items():
        for guess, level in pairs:
            guessed, read = PERCENT * guess, PERCENT * level
            add_slope_pair(Viewer(golfer), session, sense=sense, guess=guessed, level=read)
    for stroke_in, roll_ft in ((10.0, 6.4), (14.0, 12.1), (18.0, 20.6), (22.0, 30.0)):
        add_stroke_putt(
            Viewer(golfer),
            session,
            stroke_m=stroke_in * INCH_M,
            roll_m=roll_ft * FOOT_M,
            green_speed_ft=TODAY_FT,
        )
