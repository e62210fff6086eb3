"""The fields of a read: what was typed, checked, and turned into a putt."""

import math

from wtforms import Form, RadioField, SelectField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import AnyOf, Optional, StopValidation

from orthocline.core.account import UsualPasts
from orthocline.core.calls import SCHOOLS
from orthocline.core.grain import GRASSES
from orthocline.core.ground import plane_from_grade
from orthocline.core.instruments import TRUENESS_DEG, Gives, giving
from orthocline.core.roll import NO_GRAIN, RANGES, STILL_AIR, Grain, Point, Putt, RollPast, SpeedAtHole, Wind
from orthocline.core.sure import GrainBy, Source
from orthocline.core.units import FOOT_M
from orthocline.formats.speed_origin import SpeedOrigin, parse_speed_origin
from orthocline.services.ground.places import Place
from orthocline.services.text import tidy_text
from orthocline.web.shared.fields import DoubtedField, FigureForm, LengthField, QuantityField, WayField
from orthocline.web.shared.places import place_fields
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.shared.read_value import Held, Known, Playing, Tried, TypedUnits
from orthocline.web.shared.readings import Noted
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.instruments import INSTRUMENT_WORDS, TYPED_WORDS
from orthocline.wording.quantities import (
    SPEED_UNITS_MPS,
    QuantityError,
    grass_named,
    is_paced,
    parse_aside_m,
    parse_degrees,
    parse_far_m,
    parse_firmer,
    parse_grain,
    parse_green_speed_ft,
    parse_near_m,
    parse_off_rad,
    parse_slope,
    parse_speed_mps,
    sensed,
)
from orthocline.wording.typed import unit_typed
from orthocline.wording.wording import Wording

LINES = [str(number) for number in range(RANGES.line[0], RANGES.line[1] + 1)]
MOST_LENGTH_SHARE, MOST_SPEED_FT = 0.5, 5.0
"""A length is sure within a share of it, a green speed within so many feet, at most."""
MOST_OFF_RAD = math.radians(60.0)
TRUE_WORDS = {str(rated): f"{rated} of 5" for rated in sorted(TRUENESS_DEG, reverse=True)}
MOST_TRIES, MOST_TRY_M = 9, 100.0 * FOOT_M
UNREAD_LENGTH_M = 10.0 * FOOT_M
"""Length over which a rise counts while the putt's own cannot be read."""


def is_speed(text: str) -> bool:
    """Return whether a pace is typed as a speed at the hole."""
    return any(text.strip().lower().endswith(unit) for unit in SPEED_UNITS_MPS)


def _from(label: str, *what: Gives) -> SelectField:
    """Return the field of where a figure comes from: as typed, or by an instrument that gives it."""
    names = [one.name for one in giving(what)]
    choices = [
        SelectChoice("", TYPED_WORDS),
        *(SelectChoice(name, INSTRUMENT_WORDS[name].choice) for name in names),
    ]
    return SelectField(label, choices=choices, default="")


class TriesField(StringField):
    """Candidate lines, aims with their side: ``12 in right, 18 in right``."""

    tries_m: tuple[float, ...] = ()

    def pre_validate(self, form: Form) -> None:
        """Find the aims."""
        del form
        texts = [text for text in (self.data or "").split(",") if text.strip()]
        if len(texts) > MOST_TRIES:
            raise StopValidation(f"Lay at most {MOST_TRIES} lines at a time.")
        try:
            self.tries_m = tuple(parse_aside_m(text, self.meta.wording) for text in texts)
        except QuantityError as error:
            raise StopValidation(f"A line {error}, with its side: 12 in right, 18 in right.") from error
        if any(abs(aim) > MOST_TRY_M for aim in self.tries_m):
            raise StopValidation("A line aims at most 100 ft (30 m) beside the hole.")


class CallsField(StringField):
    """The calls that lead, in their order: ``curve_gate,cup_entry``, or ``none``."""

    calls: tuple[str, ...] | None = None

    def pre_validate(self, form: Form) -> None:
        """Find the calls."""
        del form
        text = (self.data or "").strip()
        names = [] if text in ("", "none") else [name.strip() for name in text.split(",")]
        if len(set(names)) < len(names) or not set(names) <= SCHOOLS.keys():
            raise StopValidation(f"Calls that lead are some of {', '.join(SCHOOLS)}, each once.")
        self.calls = tuple(names) if text else None


class SlopeField(DoubtedField):
    """A slope in percent, degrees or rise over the putt, whose length must be known first."""

    typed_unit = ""

    @property
    def unit(self) -> str:
        """The unit it was typed in, or the golfer's."""
        return self.typed_unit or self.wording.units.slope

    def pre_validate(self, form: "ReadForm") -> None:
        """Find the slope over the putt's length."""

        def parse(text: str, wording: Wording) -> float:
            slope, self.typed_unit = parse_slope(text, form.length_m, wording)
            return slope

        self.parse = parse
        super().pre_validate(form)


def _parse_past(text: str, wording: Wording) -> float:
    """Return a roll-past [m], or a speed at the hole [m/s] as its negative."""
    return -parse_speed_mps(text) if is_speed(text) else parse_near_m(text, wording)


class PastField(QuantityField):
    """Pace: a roll-past, or a speed at the hole."""

    def pre_validate(self, form: Form) -> None:
        """Check the speed's own range."""
        fast = is_speed(self.data or "")
        slowest, fastest = RANGES.speed_at_hole_mps
        self.between = (-fastest, -slowest) if fast else RANGES.past_m
        super().pre_validate(form)


class OriginField(StringField):
    """Where the green speed comes from: kept as typed, read as a `SpeedOrigin`."""

    origin: SpeedOrigin | None = None

    def pre_validate(self, form: Form) -> None:
        """Find the origin."""
        del form
        if self.data:
            self.origin = parse_speed_origin(self.data)
            if self.origin is None:
                raise StopValidation("Speed from is such as 10.2 ±0.3 at 2026-11-23T07:40Z by ramp.")


def _slope_field(label: str) -> SlopeField:
    steepest = RANGES.tilt[1]
    return SlopeField(
        label,
        parse=lambda text, _: float(text),
        between=(-steepest, steepest),
        allowed="at most 25 %, such as 2.1 %, 1.2 deg or 1 in over the putt",
        most_within=steepest,
        sure="0 to 25 %",
    )


class ReadForm(FigureForm):
    """The fields of a read, as they stand in its address."""

    length = LengthField(
        "Length",
        parse_far_m,
        most_within=MOST_LENGTH_SHARE,
        sure="0 to 50 %",
        between=RANGES.length_m,
        allowed="between 6 in and 196 ft (60 m), such as 14 ft, 5 paces or 4.3 m",
    )
    side = _slope_field("Tilt")
    falls = RadioField(
        "Falls", choices=[SelectChoice("left", "← left"), SelectChoice("right", "right →")], default="left"
    )
    rise = _slope_field("Rise")
    slope = RadioField(
        "Slope", choices=[SelectChoice("up", "up ↑"), SelectChoice("down", "down ↓")], default="up"
    )
    speed = DoubtedField(
        "Green speed",
        lambda text, _: parse_green_speed_ft(text),
        between=RANGES.green_speed_ft,
        allowed="between 3 and 20 feet",
        most_within=MOST_SPEED_FT,
        sure="0 to 5 feet",
    )
    length_from = _from("Length from", Gives.LENGTH)
    side_from = _from("Tilt from", Gives.SLOPE, Gives.FELT, Gives.FIRST)
    rise_from = _from("Rise from", Gives.SLOPE, Gives.FELT, Gives.FIRST, Gives.RISE)
    past = PastField(
        "Roll-past",
        _parse_past,
        between=RANGES.past_m,
        allowed="between 0 and 16 ft (5 m) such as 12 in, or a speed at the hole of 0.05 to 5 m/s",
    )
    own = QuantityField(
        "Your read",
        parse_near_m,
        between=(0.0, MOST_TRY_M),
        allowed="between 0 and 100 ft (30 m), such as 9 in or 23 cm",
        optional=True,
    )
    own_side = RadioField(
        "Side", choices=[SelectChoice("left", "left"), SelectChoice("right", "right")], default="right"
    )
    grain = QuantityField(
        "Grain",
        lambda text, _: parse_grain(text),
        between=RANGES.grain,
        allowed=f"{', '.join(GRASSES)}, or a strength between 0 and 0.5 such as 0.1",
        optional=True,
    )
    grain_toward = WayField("Grows toward", default="hole")
    grain_within = QuantityField(
        "Way of the grain within",
        lambda text, _: parse_degrees(text),
        between=(0.0, 180.0),
        allowed="known within 0 to 180 degrees",
        optional=True,
    )
    grain_last = QuantityField(
        "Only in the last",
        parse_far_m,
        between=(0.0, RANGES.length_m[1]),
        allowed="a length before the hole, such as 6 ft or 2 paces",
        optional=True,
    )
    wind = QuantityField(
        "Wind",
        lambda text, _: parse_speed_mps(text),
        between=RANGES.wind_mps,
        allowed="between 0 and 25 m/s, such as 5 m/s or 12 mph",
        optional=True,
    )
    wind_toward = WayField("Blows toward", default="hole")
    course, green = place_fields()
    on = StringField("Green that is read on")
    hole = StringField("Hole")
    toward = QuantityField(
        "Way to the hole",
        lambda text, _: parse_degrees(text),
        between=(-360.0, 360.0),
        allowed="degrees clockwise from straight on, such as 20",
        optional=True,
    )
    usual = StringField("Usual roll-past")
    golfer = SelectField(
        "Who putts",
        choices=[SelectChoice("", "you"), *(SelectChoice(*said) for said in LEVEL_WORDS.items())],
        default="",
    )
    true = SelectField(
        "How true it rolls",
        choices=[SelectChoice("", "as usual"), *(SelectChoice(*said) for said in TRUE_WORDS.items())],
        default="",
    )
    advised = StringField("Advised roll-past")
    doubted = StringField("Count how sure the read is")
    off_line = QuantityField(
        "Start line off",
        lambda text, _: parse_off_rad(text),
        between=(-MOST_OFF_RAD, MOST_OFF_RAD),
        allowed="at most 60 degrees off, such as 0.8 deg left",
        optional=True,
    )
    off_pace = QuantityField(
        "Pace off",
        lambda text, _: parse_firmer(text),
        between=(-0.9, 1.0),
        allowed="90 % soft to 100 % firm, such as 4 % firm",
        optional=True,
    )
    measured = OriginField("Speed from", validators=[Optional()])
    first = StringField("My read first")
    fan = StringField("Fan of start lines")
    tries = TriesField("Your lines")
    calls = CallsField("Calls that lead")
    lit = StringField("Lit call")
    line = StringField(
        "Line",
        validators=[
            Optional(),
            AnyOf(LINES, message=f"The line is a number from {LINES[0]} to {LINES[-1]}."),
        ],
    )

    def validate_lit(self, field: StringField) -> None:
        """Check that it is a call, of those that there are now."""
        if field.data and field.data not in SCHOOLS:
            raise StopValidation(f"The lit call is one of {', '.join(SCHOOLS)}.")

    @property
    def length_m(self) -> float:
        """The putt's length, or the usual one while it cannot be read."""
        return self.length.figure or UNREAD_LENGTH_M

    def read_request(
        self, held: Held | None, usual: UsualPasts | None = None, noted: tuple[Noted, ...] = ()
    ) -> ReadRequest:
        """Return what a form that validates asks for: the ball at the origin, the hole along +x.

        The pace is the golfer's `usual` one as long as it says what was filled in for them. `noted` are the
        readings of the ground, if any.

        Raises
        ------
        PuttError
            When tilt and rise together are too steep.
        """
        own, own_side = self.own.figure, 1.0 if self.own_side.data == "right" else -1.0
        return ReadRequest(
            self._putt(),
            self._units(),
            self.wording,
            Place(tidy_text(self.course.data or ""), tidy_text(self.green.data or "")),
            self.measured.origin,
            None if own is None else own * own_side,
            self.first.data == "1",
            held,
            usual if self.usual.data == self.past.data else None,
            self._known(),
            self.fan.data == "1",
            self.tries.tries_m,
            noted,
            playing=self._playing(),
            calls=self.calls.calls,
            lit=self.lit.data or "",
        )

    def _playing(self) -> Playing:
        line, pace = self.off_line.figure, self.off_pace.figure
        tried = None if line is None and pace is None else Tried(line or 0.0, pace or 0.0)
        rated = int(self.true.data) if self.true.data else None
        # The advised pace is taken until another one is typed.
        advised = bool(self.advised.data) and self.advised.data == self.past.data
        return Playing(self.golfer.data or "", rated, advised, self.doubted.data == "1", tried)

    def _known(self) -> Known:
        paced = is_paced(self.length.plain) and self.length.within is None
        grass = grass_named(self.grain.data or "")
        own = "own_paces" if self.wording.calibration.own_pace else "usual_paces"
        return Known(
            Source(self.length_from.data or (own if paced else ""), self.length.within),
            Source(sensed(self.side.plain) or self.side_from.data or "", self.side.within),
            Source(sensed(self.rise.plain) or self.rise_from.data or "", self.rise.within),
            self.speed.within,
            GrainBy(bool(grass), self.grain_within.figure),
            grass,
        )

    def _grain_since(self, length_m: float) -> float:
        """Return the share of the way from which the grain grows so; all of it where the last is as long."""
        last = self.grain_last.figure
        since = 0.0 if last is None or not length_m else 1.0 - last / length_m
        return min(max(since, RANGES.grain_since[0]), RANGES.grain_since[1])

    def _putt(self) -> Putt:
        length, past = self.length.figure or 0.0, self.past.figure or 0.0
        grade = (self.rise.figure or 0.0) * (1 if self.slope.data == "up" else -1)
        side_right = (self.side.figure or 0.0) * (1 if self.falls.data == "right" else -1)
        wind, grain = self.wind.figure, self.grain.figure
        return Putt(
            ball=Point(0.0, 0.0),
            hole=Point(length, 0.0),
            surface=plane_from_grade(grade, side_right, 0.0),
            green_speed_ft=self.speed.figure or 0.0,
            pace=SpeedAtHole(-past) if past < 0.0 else RollPast(past),
            grain=Grain(grain, self.grain_toward.way_rad, self._grain_since(length)) if grain else NO_GRAIN,
            wind=Wind(wind, self.wind_toward.way_rad) if wind else STILL_AIR,
            line=int(self.line.data or 1),
        )

    def _units(self) -> TypedUnits:
        units = self.wording.units

        def typed(field: QuantityField, usual: str) -> str:
            text = field.plain if isinstance(field, DoubtedField) else field.data
            return unit_typed(text, usual, self.wording) if text else usual

        return TypedUnits(
            typed(self.length, units.far),
            self.side.unit,
            self.rise.unit,
            typed(self.past, units.near),
            typed(self.own, units.near),
            typed(self.wind, "m/s"),
        )


READ_FIELDS = frozenset(ReadForm()._fields)
"""The names of all fields of a read."""
