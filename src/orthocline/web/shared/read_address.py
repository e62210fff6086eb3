"""What a read starts from, and the demo's putt, as their fields say them."""

from dataclasses import replace
from datetime import datetime, timedelta

from orthocline.core.sure import Source
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.demo.golfer import SPINDRIFT as DEMO_PUTT
from orthocline.web.shared.read_request import ReadRequest, request_of
from orthocline.web.shared.read_value import Known
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import tidy
from orthocline.wording.wording import Wording

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


def demo_request(said: Wording, now: datetime) -> ReadRequest:
    """Return the demo putt as it is asked for: tilt and rise by a level, the speed by a ramp at 07:40."""
    asked = request_of(DEMO_PUTT.putt, said, DEMO_PUTT.place)
    by_level = Source("level")
    return replace(asked, known=Known(side=by_level, rise=by_level), origin=demo_origin(said.calendar, now))


def demo_values(said: Wording, now: datetime) -> dict[str, str]:
    """Return the fields of the demo putt's address, in the golfer's units."""
    return demo_request(said, now).shown


def demo_origin(calendar: Calendar, now: datetime) -> SpeedOrigin:
    """Return where the demo putt's speed comes from."""
    today = calendar.here(now).replace(hour=7, minute=40, second=0, microsecond=0)
    when = today if today <= now else today - timedelta(days=1)
    return SpeedOrigin(DEMO_PUTT.speed_ft, 0.3, when, "ramp")
