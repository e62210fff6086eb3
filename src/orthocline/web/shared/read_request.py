"""A read as it is asked for, with its steps and drags, which return another."""

import math
from dataclasses import dataclass, replace
from datetime import datetime
from functools import cached_property
from typing import Any

from orthocline.core.calls import Answer
from orthocline.core.estimate import Estimate
from orthocline.core.grain import GRASSES
from orthocline.core.ground import Plane, Reading, Said, Stations, plane_from_grade, stations_of
from orthocline.core.instruments import FIRST_LOOK
from orthocline.core.roll import RANGES, Point, Putt, PuttError, RollPast, SpeedAtHole
from orthocline.core.speed import aged
from orthocline.core.sure import CERTAIN, GrainBy, Source, Sources, Uncertainty
from orthocline.core.units import PERCENT, wrap_rad
from orthocline.formats.speed_origin import SpeedOrigin
from orthocline.services.ground.places import NOWHERE, Place
from orthocline.services.speed.book import hours_since
from orthocline.web.shared.lies import Lie
from orthocline.web.shared.read_value import LEVEL, Known, ReadValue, Tried, TypedUnits
from orthocline.web.shared.readings import Noted, Readings, noted_of
from orthocline.wording.typed import DRAGGED, RISE_STEPS, STEPS, slope_in, slope_of
from orthocline.wording.wording import Wording

GREEN_SPEED_STEP_FT = 0.1


@dataclass(frozen=True)
class ReadRequest(ReadValue):
    """One read as it is asked for; its edits return another."""

    @cached_property
    def asked_putt(self) -> Putt:
        """The putt that is read, on the ground as it was read in places; raises PuttError if too steep."""
        if self.lie:
            return self.lie.putt(self.putt)
        if not self.noted:
            return self.putt
        length = self.putt.length_m
        own = self.wording.calibration.senses
        stations = stations_of(self.readings.plain, length, self._said, own)
        return replace(self.putt, surface=Stations((0.0, 0.0), (length, 0.0), stations))

    @property
    def _said(self) -> Said:
        """What tilt and rise say of the whole putt."""
        putt, own = self.putt, self.wording.calibration.senses
        sds = (
            source.slope_sd(slope, putt.length_m, own)
            for source, slope in ((self.known.rise, putt.grade), (self.known.side, putt.side_tilt_right))
        )
        return Said(-putt.grade, putt.side_tilt_right, *sds)

    def read_in(self, readings: Readings) -> "ReadRequest":
        """Return it by other readings; as it is where they make none that can be read."""
        changed = replace(self, noted=readings.noted)
        try:
            return changed if changed.asked_putt else self
        except PuttError:
            return self

    def in_places(self) -> "ReadRequest":
        """Return it with tilt and rise as readings half-way; a first look stays said of the whole putt."""
        putt, known, units = self.putt, self.known, self.units
        tilt = Reading(0.5, math.copysign(0.5 * math.pi, putt.side_tilt_right), abs(putt.side_tilt_right))
        rise = Reading(0.5, math.pi if putt.grade >= -LEVEL else 0.0, abs(putt.grade))
        noted = tuple(
            Noted(replace(one, by=source.by, within=source.within), unit)
            for one, source, unit in ((tilt, known.side, units.side), (rise, known.rise, units.rise))
            if source.by != FIRST_LOOK
        )
        return replace(self, noted=noted) if noted else self.read_in(self.readings.further())

    @property
    def hidden(self) -> bool:
        """Whether the call is held back."""
        return self.mine_first and self.own is None

    @property
    def speed_origin(self) -> SpeedOrigin | None:
        """Where the green speed comes from; None where another speed was typed since."""
        origin = self.origin if self.known.speed_within_ft is None else None
        return origin if origin and abs(origin.speed_ft - self.putt.green_speed_ft) < 0.05 else None

    def uncertainty(self, now: datetime) -> Uncertainty:
        """Return how uncertain its figures are; a measured green speed ages until `now`."""
        known, own = self.known, self.wording.calibration.senses
        sources = Sources(known.length, known.side, known.rise, self._speed_sd_ft(now), known.grain_by, own)
        return sources.uncertainty(self.putt)

    def _speed_sd_ft(self, now: datetime) -> float:
        if self.known.speed_within_ft is not None:
            return 0.5 * self.known.speed_within_ft
        origin = self.speed_origin
        if origin is None:
            return 0.0
        hours = hours_since(origin.measured_at, now)
        return aged(Estimate(origin.speed_ft, 0.5 * origin.within_ft), hours).sd

    def stepped(self, name: str, way: int) -> "ReadRequest":
        """Return it with a figure one step more or less, in its unit; as it is where that leads nowhere."""
        putt, units = self.putt, self.units
        if name.startswith("spot-"):
            return self.read_in(self.readings.stepped(name, way))
        if name == "length":
            return self.of_length(putt.length_m + way * STEPS[units.length] * self.size(units.length))
        if name == "past":
            return self._of_pace(way * STEPS[units.past] * self.size(units.past))
        if name == "speed":
            speed = round(putt.green_speed_ft + way * GREEN_SPEED_STEP_FT, 6)
            return self._changed(green_speed_ft=_within(speed, RANGES.green_speed_ft))
        if name == "impression":
            return self.impressed((self.impression_m or 0.0) + way * self.wording.units.near_m)
        if self.lie:
            return self
        if name == "side":
            side = self._stepped_slope(putt.side_tilt_right, units.side, way)
            return self._changed(surface=plane_from_grade(putt.grade, side, 0.0))
        if name == "rise":
            rise = self._stepped_slope(putt.grade, units.rise, way)
            return self._changed(surface=plane_from_grade(rise, putt.side_tilt_right, 0.0))
        return self

    def dragged(self, length_m: float) -> "ReadRequest":
        """Return it with the ball so far from the hole, as nearly as a hand can tell."""
        return self.of_length(self._by_hand(length_m, self.units.length))

    def rolled_past(self, past_m: float) -> "ReadRequest":
        """Return it with such a roll-past, as nearly as a hand can tell."""
        unit = self.units.past if self.units.past in DRAGGED else self.wording.units.near
        return self.at_pace(RollPast(_within(self._by_hand(past_m, unit), RANGES.past_m)), unit)

    def rotated(self, degrees: float) -> "ReadRequest":
        """Return it with the ball moved clockwise round the hole: ground, grain and wind lie turned to it.

        What was read along one line says nothing of another: then it stays. What was read at the hole turns.
        """
        if not self.readings.at_hole:
            return self
        turn, putt = math.radians(degrees), self.putt
        if self.lie:
            return self.lying(self.lie.turned(turn))
        plane, grain, wind = putt.mean_plane, putt.grain, putt.wind
        return replace(self, noted=self.readings.rotated(turn).noted)._changed(
            surface=Plane(plane.tilt, wrap_rad(plane.downhill_rad + turn)),
            grain=replace(grain, toward_rad=wrap_rad(grain.toward_rad + turn)),
            wind=replace(wind, toward_rad=wrap_rad(wind.toward_rad + turn)),
        )

    def falling(self, degrees: float) -> "ReadRequest":
        """Return it with the ground falling so far clockwise from the hole; level ground a little."""
        if self.lie:
            return self
        plane = Plane(self.putt.mean_plane.tilt or PERCENT, wrap_rad(-math.radians(degrees)))
        return self._changed(surface=plane)

    def at_pace(self, pace: RollPast | SpeedAtHole, unit: str) -> "ReadRequest":
        """Return it at another pace, said in a unit."""
        changed = self._changed(pace=pace)
        if changed is self:
            return self
        own = replace(self.playing, advised=False)
        return replace(changed, units=replace(self.units, past=unit), usual=None, playing=own)

    def at_advised_past(self, past_m: float) -> "ReadRequest":
        """Return it at the advised roll-past, which it goes by from now on."""
        unit = self.units.past if self.units.past in DRAGGED else self.wording.units.near
        taken = self.at_pace(RollPast(past_m), unit)
        return replace(taken, playing=replace(taken.playing, advised=True))

    def trying(self, tried: Tried | None) -> "ReadRequest":
        """Return it with another launch tried, or none."""
        return replace(self, playing=replace(self.playing, tried=tried))

    def at_usual_past(self) -> "ReadRequest":
        """Return it at the golfer's usual roll-past for its slope, unless another pace was asked for."""
        if self.usual is None:
            return self
        past = RollPast(self.usual.on(self.asked_putt.grade))
        return self if past == self.putt.pace else self._changed(pace=past)

    def read_by(self, instrument: str, *, across: bool) -> "ReadRequest":
        """Return it with the tilt across the line, or the rise along it, read by an instrument."""
        source = Source(instrument)
        known = self.known
        known = replace(known, side=source) if across else replace(known, rise=source)
        return replace(self, known=known)

    def without_try(self, index: int) -> "ReadRequest":
        """Return it with one candidate line taken away."""
        return replace(self, tries_m=self.tries_m[:index] + self.tries_m[index + 1 :])

    def own_aim(self, right_m: float) -> "ReadRequest":
        """Return it with such an own aim."""
        return replace(self, own=Answer("aim_spot", (right_m,)), own_by="aim_spot")

    def own_dragged(self, right_m: float) -> "ReadRequest":
        """Return it with an own aim as nearly as a hand can tell."""
        return self.own_aim(self._by_hand(right_m, self.wording.units.near))

    def lighting(self, name: str) -> "ReadRequest":
        """Return it with a call lit, or no longer if it was."""
        return replace(self, lit="" if name == self.lit else name)

    def led_by(self, calls: tuple[str, ...] | None) -> "ReadRequest":
        """Return it with other calls leading; None for those of whoever asks."""
        return replace(self, calls=calls)

    def impressed(self, right_m: float) -> "ReadRequest":
        """Return it with a first impression of the aim, as nearly as a hand can tell."""
        return replace(self, impression_m=self._by_hand(right_m, self.wording.units.near))

    def by_line(self, number: int) -> "ReadRequest":
        """Return it by another line to the hole."""
        return self._changed(line=number)

    def _by_hand(self, length_m: float, unit: str) -> float:
        grain = DRAGGED[unit] * self.size(unit)
        return grain * round(length_m / grain)

    def _stepped_slope(self, slope: float, unit: str, way: int) -> float:
        """Return a slope a step further on its own side, or through nothing to the other."""
        over, step = self.putt.length_m, RISE_STEPS.get(unit) or STEPS[unit]
        figure = slope_in(abs(slope), unit, over, self.wording) + way * step
        return math.copysign(1.0, slope) * slope_of(figure, unit, over, self.wording)

    def of_length(self, length_m: float) -> "ReadRequest":
        """Return it with the ball so far from the hole."""
        return self._changed(hole=Point(_within(length_m, RANGES.length_m), 0.0))

    def _of_pace(self, more: float) -> "ReadRequest":
        if isinstance(self.putt.pace, SpeedAtHole):
            speed = SpeedAtHole(_within(self.pace_figure + more, RANGES.speed_at_hole_mps))
            return self.at_pace(speed, self.units.past)
        return self.at_pace(RollPast(_within(self.pace_figure + more, RANGES.past_m)), self.units.past)

    def _changed(self, **members: Any) -> "ReadRequest":
        """Return it with other members of the putt; as it is where they make none that can be read."""
        try:
            changed = replace(self, putt=replace(self.putt, **members))
            return changed.lying(self.lie) if self.lie else changed
        except PuttError:
            return self

    def lying(self, lie: Lie) -> "ReadRequest":
        """Return it on the ground of a green; grain and wind that are known stay as they are on the map.

        Raises
        ------
        PuttError
            Where that ground is too steep.
        """
        turn = lie.toward_rad - self.lie.toward_rad if self.lie else 0.0
        putt = self.putt
        laid = replace(
            putt,
            surface=lie.plane(putt.length_m),
            grain=replace(putt.grain, toward_rad=wrap_rad(putt.grain.toward_rad + turn)),
            wind=replace(putt.wind, toward_rad=wrap_rad(putt.wind.toward_rad + turn)),
        )
        return replace(self, putt=laid, lie=lie, noted=())


def request_of(
    putt: Putt, wording: Wording, place: Place = NOWHERE, uncertainty: Uncertainty = CERTAIN
) -> ReadRequest:
    """Return the request of a putt from anywhere on the map, in the golfer's units."""
    turn, units = -putt.bearing_rad, wording.units
    seen = Putt(
        Point(0.0, 0.0),
        Point(putt.length_m, 0.0),
        plane_from_grade(putt.grade, putt.side_tilt_right, 0.0),
        putt.green_speed_ft,
        putt.pace,
        replace(putt.grain, toward_rad=wrap_rad(putt.grain.toward_rad + turn)),
        replace(putt.wind, toward_rad=wrap_rad(putt.wind.toward_rad + turn)),
        putt.line,
    )
    past = units.near if isinstance(putt.pace, RollPast) else units.ball_speed
    said = TypedUnits(units.far, units.slope, units.slope, past, units.near)
    known = _known(seen, uncertainty)
    return ReadRequest(seen, said, wording, place, known=known, noted=noted_of(putt.surface, units.slope))


def _known(putt: Putt, uncertainty: Uncertainty) -> Known:
    """Return what is known of figures of which nothing but how sure they are is left."""
    length, side, rise, speed = (
        2.0 * sd or None
        for sd in (
            uncertainty.length * putt.length_m,
            uncertainty.side,
            uncertainty.grade,
            uncertainty.green_speed_ft,
        )
    )
    grass = next((one.name for one in GRASSES.values() if one.strength == putt.grain.strength), "")
    length_by, side_by, rise_by = (Source(within=sure) for sure in (length, side, rise))
    return Known(length_by, side_by, rise_by, speed, GrainBy(bool(grass)), grass)


def _within(figure: float, between: tuple[float, float]) -> float:
    return min(max(figure, between[0]), between[1])
