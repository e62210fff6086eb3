"""The address of a read, as other pages make one: of a putt, with a measured speed, of the demo's putt."""

import math
from datetime import datetime, timedelta

from orthocline.core.roll import Putt, SpeedAtHole
from orthocline.core.units import wrap_rad
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.demo.golfer import SPINDRIFT as DEMO_PUTT
from orthocline.wording.dates import Calendar
from orthocline.wording.figures import tidy
from orthocline.wording.units import USUAL_UNITS
from orthocline.wording.wording import Wording

SPINDRIFT = {
    "length": "14 ft",
    "side": "2.1 %",
    "falls": "left",
    "rise": "1 in",
    "slope": "up",
    "speed": "10.2",
    "past": "12 in",
    "place": "Ternholm Links, green 4, Spindrift",
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
TOWARD_DEG = {
    "hole": 0,
    "hole and left": 45,
    "left": 90,
    "ball and left": 135,
    "ball": 180,
    "ball and right": -135,
    "right": -90,
    "hole and right": -45,
}
"""Ways that grass grows and wind blows, as the golfer sees them: degrees to the left of the hole."""


def nearest_way(seen_deg: float) -> str:
    """Return the name of the way, of the eight in `TOWARD_DEG`, nearest to a direction the golfer sees."""
    return min(TOWARD_DEG, key=lambda name: abs(math.remainder(TOWARD_DEG[name] - seen_deg, 360.0)))


def toward(putt: Putt, direction_rad: float) -> str:
    """Return the name of the way nearest to a direction on the map."""
    return nearest_way(math.degrees(wrap_rad(direction_rad - putt.bearing_rad)))


def values_of(putt: Putt, wording: Wording, place: str = "") -> dict[str, str]:
    """Return the fields of the address that asks for a putt, in the golfer's units."""
    grade = putt.grade
    side = putt.side_tilt_right
    pace = putt.pace
    past = f"{pace.speed_mps:g} m/s" if isinstance(pace, SpeedAtHole) else wording.typed_near(pace.past_m)
    values = {
        "length": wording.typed_far(putt.length_m),
        "side": wording.typed_slope(abs(side)),
        "falls": "right" if side > 0 else "left",
        "rise": wording.typed_slope(abs(grade)),
        "slope": "up" if grade >= 0 else "down",
        "speed": tidy(putt.green_speed_ft, 2),
        "past": past,
        "place": place,
    }
    if putt.grain.strength:
        values |= {"grain": f"{putt.grain.strength:g}", "grain_toward": toward(putt, putt.grain.toward_rad)}
    if putt.wind.speed_mps:
        values |= {"wind": f"{putt.wind.speed_mps:g} m/s", "wind_toward": toward(putt, putt.wind.toward_rad)}
    if putt.line > 1:
        values["line"] = str(putt.line)
    return {name: value for name, value in values.items() if value}


def speed_values(origin: SpeedOrigin) -> dict[str, str]:
    """Return the fields of a read that say its speed and where it comes from."""
    return {"speed": tidy(origin.speed_ft), "measured": origin.text}


def demo_values(said: Wording, now: datetime) -> dict[str, str]:
    """Return the address of the demo putt: in the golfer's units, measured the last time it was 07:40."""
    values = SPINDRIFT if said.units == USUAL_UNITS else values_of(DEMO_PUTT.putt, said, SPINDRIFT["place"])
    return values | {"measured": demo_origin(said.calendar, now).text}


def demo_origin(calendar: Calendar, now: datetime) -> SpeedOrigin:
    """Return where the demo putt's speed comes from."""
    today = calendar.here(now).replace(hour=7, minute=40, second=0, microsecond=0)
    when = today if today <= now else today - timedelta(days=1)
    return SpeedOrigin(DEMO_PUTT.speed_ft, 0.3, when, "ramp")
