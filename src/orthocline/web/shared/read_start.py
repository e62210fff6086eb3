"""What a read starts from where its address says nothing: the golfer's units, pace and day's speed."""

from datetime import UTC, datetime

from flask import request

from orthocline.core.account import UsualPasts
from orthocline.core.units import PERCENT
from orthocline.services.account.measures import usual_pasts, wants_advice
from orthocline.services.speed.book import day_speed
from orthocline.web.database import session
from orthocline.web.identity import measures, viewer, wording
from orthocline.web.shared.places import place_in
from orthocline.web.shared.read_address import START, speed_values
from orthocline.wording.wording import Wording


def own_pasts() -> UsualPasts | None:
    """Return the golfer's usual roll-pasts to half an inch or centimetre: nobody means 30.48 cm."""
    pasts, half_m = usual_pasts(measures()), 0.5 * wording().units.near_m
    if pasts is None:
        return None
    kept = (pasts.level_m, pasts.uphill_m, pasts.downhill_m)
    level, uphill, downhill = (None if past is None else round(past / half_m) * half_m for past in kept)
    return UsualPasts(level or 0.0, uphill, downhill)


def start_values() -> dict[str, str]:
    """Return the starting values of whoever asks: usual ones, or the golfer's own and the book's speed."""
    who, said = viewer(), wording()
    values = _in_units(said)
    pasts = own_pasts()
    if pasts and "past" not in request.values:
        values["past"] = values["usual"] = said.typed_near(pasts.level_m)
    if wants_advice(measures()) and "past" not in request.values:
        values["advised"] = values["past"]
    if who.golfer and not who.in_competition and "speed" not in request.values:
        place = place_in(request.values)
        day = day_speed(who, session(), datetime.now(UTC), place)
        values |= speed_values(day.origin) if day else {}
        if day and day.trueness:
            values["true"] = str(day.trueness)
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
