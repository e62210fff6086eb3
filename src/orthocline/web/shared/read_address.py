"""What a read starts from, and the demo's putt, as their fields say them."""

from datetime import datetime, timedelta

from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.demo.golfer import SPINDRIFT as DEMO_PUTT
from orthocline.web.shared.read_request import request_of
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import tidy
from orthocline.wording.units import USUAL_UNITS
from orthocline.wording.wording import Wording

SPINDRIFT = {
    "length": "14 ft",
    "side": "2.1 %",
    "falls": "left",
    "rise": "0.9 %",
    "slope": "up",
    "speed": "10.2",
    "past": "9 in",
    "course": DEMO_PUTT.place.course,
    "green": DEMO_PUTT.place.green,
}
"""The demo putt."""
START = {
    "length": "10 ft",
    "side": "1 %",
    "falls": "left",
    "rise": "0 %",
    "slope": "up",
    "speed": "10",
    "past": "12 in",
}
"""What an empty page starts from."""


def speed_values(origin: SpeedOrigin) -> dict[str, str]:
    """Return the fields of a read that say its speed and where it comes from."""
    return {"speed": tidy(origin.speed_ft), "measured": origin.text}


def demo_values(said: Wording, now: datetime) -> dict[str, str]:
    """Return the address of the demo putt: in the golfer's units, measured the last time it was 07:40."""
    values = (
        SPINDRIFT if said.units == USUAL_UNITS else request_of(DEMO_PUTT.putt, said, DEMO_PUTT.place).shown
    )
    return values | {"measured": demo_origin(said.calendar, now).text}


def demo_origin(calendar: Calendar, now: datetime) -> SpeedOrigin:
    """Return where the demo putt's speed comes from."""
    today = calendar.here(now).replace(hour=7, minute=40, second=0, microsecond=0)
    when = today if today <= now else today - timedelta(days=1)
    return SpeedOrigin(DEMO_PUTT.speed_ft, 0.3, when, "ramp")
