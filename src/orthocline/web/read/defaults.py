"""What a read starts from where its address says nothing: the golfer's units, pace and day's speed."""

from datetime import UTC, datetime

from flask import request

from orthocline.core.units import PERCENT
from orthocline.services.account.measures import usual_pasts
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.shared.places import place_in
from orthocline.web.shared.read_address import START, speed_values
from orthocline.wording.wording import Wording


def start_values() -> dict[str, str]:
    """Return the starting values of whoever asks: usual ones, or the golfer's own and the book's speed."""
    own, who, said = measures(), viewer(), wording()
    values = _in_units(said)
    pasts = usual_pasts(own)
    if pasts and "past" not in request.values:
        values["past"] = values["usual"] = said.typed_near(pasts.level_m)
    if who.golfer and not who.in_competition and "speed" not in request.values:
        place = place_in(request.values)
        day = day_speed(who, session(), datetime.now(UTC), place)
        values |= speed_values(day.origin) if day else {}
        if day and not place.course:
            values |= {"course": day.place.course, "green": day.place.green}
    return values


def _in_units(said: Wording) -> dict[str, str]:
    values = dict(START)
    if said.units.metric:
        values |= {"length": "3 m", "past": "30 cm"}
    if said.units.degrees:
        values |= {"side": said.typed_slope(PERCENT), "rise": said.typed_slope(0.0)}
    return values
