"""The fields of a read: what was typed, checked, and turned into a putt."""

import math

from wtforms import RadioField, SelectField, StringField
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
from orthocline.services.ground.places import Place
from orthocline.services.text import tidy_text
from orthocline.web.shared.fields import DoubtedField, FigureForm, LengthField, QuantityField, WayField
from orthocline.web.shared.places import place_fields
from orthocline.web.shared.read_fields import (
    MOST_TRY_M,
    AnswerField,
    CallsField,
    OriginField,
    PastField,
    TriesField,
    parse_impression,
    parse_past,
    slope_field,
)
from orthocline.web.shared.read_request import ReadRequest
from orthocline.web.shared.read_value import USUAL_OWN, Held, Known, Playing, Tried, TypedUnits
from orthocline.web.shared.readings import Noted
from orthocline.wording.calls import SAYINGS
from orthocline.wording.holing.golfers import LEVEL_WORDS
from orthocline.wording.instruments import INSTRUMENT_WORDS, TYPED_WORDS
from orthocline.wording.quantities import (
    grass_named,
    is_paced,
    parse_degrees,
    parse_far_m,
    parse_firmer,
    parse_grain,
    parse_green_speed_ft,
    parse_off_rad,
    parse_speed_mps,
    sensed,
)
from orthocline.wording.typed import unit_typed

LINES = [str(number) for number in range(RANGES.line[0], RANGES.line[1] + 1)]
MOST_LENGTH_SHARE, MOST_SPEED_FT = 0.5, 5.0
"""A length is sure within a share of it, a green speed within so many feet, at most."""
MOST_OFF_RAD = math.radians(60.0)
TRUE_WORDS = {str(rated): f"{rated} of 5" for rated in sorted(TRUENESS_DEG, reverse=True)}
UNREAD_LENGTH_M = 10.0 * FOOT_M
"""Length over which a rise counts while the putt's own cannot be read."""


def _from(label: str, *what: Gives) -> SelectField:
    """Return the field of where a figure comes from: as typed, or by an instrument that gives it."""
    names = [one.name for one in giving(what)]
    choices = [
        SelectChoice("", TYPED_WORDS),
        *(SelectChoice(name, INSTRUMENT_WORDS[name].choice) for name in names),
    ]
    return SelectField(label, choices=choices, default="")


def _own_choices() -> list[SelectChoice]:
    """Return the schools in whose words a golfer can answer, those that there are now."""
    return [SelectChoice(name, SAYINGS[name].noun) for name, school in SCHOOLS.items() if school.launch]


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
    side = slope_field("Tilt")
    falls = RadioField(
        "Falls", choices=[SelectChoice("left", "← left"), SelectChoice("right", "right →")], default="left"
    )
    rise = slope_field("Rise")
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
        parse_past,
        between=RANGES.past_m,
        allowed="between 0 and 16 ft (5 m) such as 12 in, or a speed at the hole of 0.05 to 5 m/s",
    )
    own = AnswerField("Your read")
    own_by = SelectField(
        "Your read in",
        choices=_own_choices,
        default=USUAL_OWN,
    )
    impression = QuantityField(
        "First impression",
        parse_impression,
        between=(-MOST_TRY_M, MOST_TRY_M),
        allowed="at most 100 ft (30 m) beside the hole, such as 9 in left",
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
        return ReadRequest(
            self._putt(),
            self._units(),
            self.wording,
            Place(tidy_text(self.course.data or ""), tidy_text(self.green.data or "")),
            self.measured.origin,
            self.own.answer,
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
            own_by=self.own_by.data or USUAL_OWN,
            impression_m=self.impression.figure,
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
            self.own.unit or units.near,
            typed(self.wind, "m/s"),
        )


READ_FIELDS = frozenset(ReadForm()._fields)
"""The names of all fields of a read."""
