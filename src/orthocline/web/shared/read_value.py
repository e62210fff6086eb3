"""What a read asks for: one value in SI units, and the address in which it is written, field by field."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.account import UsualPasts
from orthocline.core.calls import Answer
from orthocline.core.roll import Grain, Putt, SpeedAtHole
from orthocline.core.sure import BY_NOTHING, TYPED, GrainBy, Source
from orthocline.core.units import PERCENT
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.ground.places import NOWHERE, Place
from orthocline.web.shared.lies import Lie
from orthocline.web.shared.readings import Noted, Readings
from orthocline.wording.calls.answers import Writing, answer_side, answer_text
from orthocline.wording.typed import exact, shown, size_of, slope_in
from orthocline.wording.ways import way_text
from orthocline.wording.wording import Wording

LEVEL = 1e-11
"""Less slope [ratio] than an address can say has no side."""
Held = tuple[float, float, float, float]
"""Scale, hole x, hole y and turn of a drawing that is held still while something is dragged."""
Figure = Callable[[float], str]
"""Writes a figure: to all digits that count, or as a field shows it."""


@dataclass(frozen=True)
class TypedUnits:
    """The unit in which each figure was typed, and is written again; side and rise may be in degrees."""

    length: str
    side: str
    rise: str
    past: str
    own: str
    wind: str = "m/s"


@dataclass(frozen=True)
class Known:
    """Where the figures of a read come from.

    Attributes
    ----------
    length, side, rise : Source
    speed_within_ft : float or None
        How sure a typed speed is said to be.
    grain_by : GrainBy
        By what the grain was judged.
    grass : str
        The name of the grass, where its strength was said by it.
    """

    length: Source = TYPED
    side: Source = TYPED
    rise: Source = TYPED
    speed_within_ft: float | None = None
    grain_by: GrainBy = BY_NOTHING
    grass: str = ""


KNOWN_BY_NOTHING = Known()


class Tried(NamedTuple):
    """A launch that is tried: how far right of the read's [rad], how much firmer as a share of its speed."""

    right_rad: float
    firmer: float


@dataclass(frozen=True)
class Playing:
    """Who putts, on how true a green, and what they want to know.

    Attributes
    ----------
    level : str
        Of the usual golfer who is asked about; empty for whoever asks.
    trueness : int or None
        How true the green rolls that day, of five.
    advised : bool
        Whether the pace is to be the one advised.
    doubted : bool
        Whether it counts how sure the read is.
    tried : Tried or None
    """

    level: str = ""
    trueness: int | None = None
    advised: bool = False
    doubted: bool = False
    tried: Tried | None = None


AS_USUAL = Playing()
USUAL_OWN = "aim_spot"
"""The school whose words an own read is in, until another is chosen."""


@dataclass(frozen=True)
class ReadValue:
    """One read as it is asked for, and the address that asks for it again.

    Attributes
    ----------
    putt : Putt
        With the ball at the origin and the hole along +x, on the plane of the tilt and rise that were typed.
    units : TypedUnits
    wording : Wording
        How its golfer says figures.
    place : Place
    origin : SpeedOrigin or None
        Where a measured green speed comes from.
    own : Answer or None
        The golfer's own read, in the words of a school.
    mine_first : bool
        Whether the call is held back until there is an own read.
    held : Held or None
    usual : UsualPasts or None
        The golfer's usual roll-pasts where the pace is theirs, and goes with the slope.
    known : Known
        Where its figures come from.
    fan : bool
        Whether the fan of start lines is drawn.
    tries_m : tuple of float
        The golfer's candidate lines, aims [m] to the right of the hole's centre.
    noted : tuple of Noted
        Readings of the ground in places. Where there are any, tilt and rise count only for a slope of which
        none says anything.
    lie : Lie or None
        Where it lies on a charted green, whose ground is then the putt's; tilt and rise are the mean of it.
    playing : Playing
        Who putts.
    calls : tuple of str or None
        The calls that lead, in their order; None for those of whoever asks.
    lit : str
        The call whose layer is lit in the drawing; empty for none.
    own_by : str
        The school in whose words the own read is, or is to be.
    impression_m : float or None
        The aim of the first impression, positive to the right.
    """

    putt: Putt
    units: TypedUnits
    wording: Wording
    place: Place = NOWHERE
    origin: SpeedOrigin | None = None
    own: Answer | None = None
    mine_first: bool = False
    held: Held | None = None
    usual: UsualPasts | None = None
    known: Known = KNOWN_BY_NOTHING
    fan: bool = False
    tries_m: tuple[float, ...] = ()
    noted: tuple[Noted, ...] = ()
    lie: Lie | None = None
    playing: Playing = AS_USUAL
    calls: tuple[str, ...] | None = None
    lit: str = ""
    own_by: str = USUAL_OWN
    impression_m: float | None = None

    @property
    def readings(self) -> Readings:
        """Its readings, to be edited; `read_in` takes them back."""
        return Readings(self.noted, self.putt.length_m, self.wording)

    @cached_property
    def exact(self) -> dict[str, str]:
        """The fields of its address, those that say something, to all digits that count."""
        return _fields_of(self, exact)

    @cached_property
    def shown(self) -> dict[str, str]:
        """The same as the page's fields show them."""
        return _fields_of(self, shown)

    @cached_property
    def query(self) -> str:
        """The query of its address."""
        return urlencode(self.exact)

    def size(self, unit: str) -> float:
        """Return how much one of a unit is, in SI."""
        return size_of(unit, self.wording)

    @property
    def pace_figure(self) -> float:
        """Its roll-past [m], or its speed at the hole [m/s]."""
        pace = self.putt.pace
        return pace.speed_mps if isinstance(pace, SpeedAtHole) else pace.past_m


def _fields_of(read: ReadValue, figure: Figure) -> dict[str, str]:
    """Return the fields of a read's address that say something, each figure written so."""
    fields = {**_putt_fields(read, figure), **_other_fields(read, figure), **read.readings.fields(figure)}
    return {name: text for name, text in fields.items() if text}


def _putt_fields(read: ReadValue, figure: Figure) -> dict[str, str]:
    putt, units, known = read.putt, read.units, read.known
    fields = {
        "length": _long(read, putt.length_m, units.length, figure, known.length.within),
        "length_from": known.length.by,
        "side": _steep(read, putt.side_tilt_right, units.side, figure, known.side.within),
        "side_from": known.side.by,
        "falls": "right" if putt.side_tilt_right > LEVEL else "left",
        "rise": _steep(read, putt.grade, units.rise, figure, known.rise.within),
        "rise_from": known.rise.by,
        "slope": "down" if putt.grade < -LEVEL else "up",
        "speed": figure(putt.green_speed_ft) + _within_text(known.speed_within_ft, figure),
        "past": _long(read, read.pace_figure, units.past, figure),
        "line": str(putt.line) if putt.line > 1 else "",
    }
    if putt.grain.strength:
        fields |= _grain_fields(read, putt.grain, figure)
    if putt.wind.speed_mps:
        wind = _long(read, putt.wind.speed_mps, units.wind, figure)
        fields |= {"wind": wind, "wind_toward": way_text(putt.wind.toward_rad)}
    return fields


def _grain_fields(read: ReadValue, grain: Grain, figure: Figure) -> dict[str, str]:
    known, last_m = read.known, (1.0 - grain.since) * read.putt.length_m
    way_within = known.grain_by.way_within_deg
    return {
        "grain": known.grass or figure(grain.strength),
        "grain_toward": way_text(grain.toward_rad),
        "grain_within": "" if way_within is None else figure(way_within),
        "grain_last": _long(read, last_m, read.wording.units.far, figure) if grain.since else "",
    }


def _other_fields(read: ReadValue, figure: Figure) -> dict[str, str]:
    fields = {
        "course": read.place.course,
        "green": read.place.green,
        **(read.lie.fields if read.lie else {}),
        "usual": _long(read, read.pace_figure, read.units.past, figure) if read.usual else "",
        "measured": read.origin.text if read.origin else "",
        "first": "1" if read.mine_first else "",
        "fan": "1" if read.fan else "",
        "calls": "none" if read.calls == () else ",".join(read.calls or ()),
        "lit": read.lit,
        "tries": ", ".join(_aside(read, aim, figure) for aim in read.tries_m),
        **_playing_fields(read, figure),
    }
    if read.own_by != USUAL_OWN:
        fields["own_by"] = read.own_by
    if read.own is not None:
        fields["own"] = answer_text(read.own, Writing(figure, read.units.own, read.wording))
        fields["own_side"] = answer_side(read.own)
    if read.impression_m is not None:
        fields["impression"] = _aside(read, read.impression_m, figure)
    return fields


def _playing_fields(read: ReadValue, figure: Figure) -> dict[str, str]:
    playing, tried = read.playing, read.playing.tried
    fields = {
        "golfer": playing.level,
        "true": str(playing.trueness or ""),
        "advised": _long(read, read.pace_figure, read.units.past, figure) if playing.advised else "",
        "doubted": "1" if playing.doubted else "",
    }
    if tried:
        line, firmer = math.degrees(tried.right_rad), tried.firmer / PERCENT
        fields["off_line"] = f"{figure(abs(line))} deg {'left' if line < 0.0 else 'right'}"
        fields["off_pace"] = f"{figure(abs(firmer))} % {'soft' if firmer < 0.0 else 'firm'}"
    return fields


def _long(read: ReadValue, length_m: float, unit: str, figure: Figure, within_m: float | None = None) -> str:
    sure = None if within_m is None else within_m / read.size(unit)
    return f"{figure(length_m / read.size(unit))}{_within_text(sure, figure)} {unit}"


def _steep(read: ReadValue, slope: float, unit: str, figure: Figure, within: float | None) -> str:
    over, wording = read.putt.length_m, read.wording
    sure = None if within is None else slope_in(within, unit, over, wording)
    return f"{figure(slope_in(abs(slope), unit, over, wording))}{_within_text(sure, figure)} {unit}"


def _aside(read: ReadValue, right_m: float, figure: Figure) -> str:
    way = "left" if right_m < 0.0 else "right"
    return f"{_long(read, abs(right_m), read.wording.units.near, figure)} {way}"


def _within_text(within: float | None, figure: Figure) -> str:
    return "" if within is None else f" ±{figure(within)}"
