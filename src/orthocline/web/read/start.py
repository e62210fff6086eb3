"""What a read starts from where its address says nothing: the golfer's units, pace and day's speed."""

from datetime import UTC, datetime, timedelta

from flask import request

from orthocline.core.units import PERCENT
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.demo.golfer import SPINDRIFT as DEMO_PUTT
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.identity import measures, signed_in, wording
from orthocline.web.read.asked import values_of
from orthocline.web.read.forms import SPINDRIFT, START
from orthocline.wording.figures import USUAL_WORDING, Wording, tidy


def start_values() -> dict[str, str]:
    """Return the starting values of whoever asks: usual ones, or the golfer's own and the book's speed."""
    own, who, said = measures(), signed_in(), wording()
    values = _in_units(said)
    if own and own.usual_past_m is not None:
        values["past"] = said.typed_near(own.usual_past_m)
    if who and "speed" not in request.values:
        place = request.values.get("place", "")
        day = day_speed(session(), who, datetime.now(UTC), place)
        values |= speed_values(day.origin) if day else {}
        if day and not place:
            values["place"] = day.place
    return values


def speed_values(origin: SpeedOrigin) -> dict[str, str]:
    """Return the fields of a read that say its speed and where it comes from."""
    return {"speed": tidy(origin.speed_ft), "measured": origin.text}


def demo_values(said: Wording, now: datetime) -> dict[str, str]:
    """Return the address of the demo putt: in the golfer's units, measured the last time it was 07:40."""
    values = SPINDRIFT if said == USUAL_WORDING else values_of(DEMO_PUTT.putt, said, SPINDRIFT["place"])
    return values | {"measured": demo_origin(now).text}


def demo_origin(now: datetime) -> SpeedOrigin:
    """Return where the demo putt's speed comes from."""
    today = now.astimezone().replace(hour=7, minute=40, second=0, microsecond=0)
    when = today if today <= now else today - timedelta(days=1)
    return SpeedOrigin(DEMO_PUTT.speed_ft, 0.3, when, "ramp")


def _in_units(said: Wording) -> dict[str, str]:
    values = dict(START)
    if said.metric:
        values |= {"length": "3 m", "past": "30 cm"}
    if said.degrees:
        values |= {"side": said.typed_slope(PERCENT), "rise": said.typed_slope(0.0)}
    return values
