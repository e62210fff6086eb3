"""The read page's variables."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property
from urllib.parse import urlencode

from werkzeug.datastructures import MultiDict

from orthocline.core.calls import SCHOOLS, Answer, beat_mark_of, stroke_of
from orthocline.core.instruments import FIRST_LOOK
from orthocline.core.learning import Correction
from orthocline.core.roll import OwnRoll, ReadWarning, RollPast, SpeedAtHole, softest_straight_in
from orthocline.drawing.roll.cup import cup
from orthocline.drawing.roll.plan import Plan, plan
from orthocline.drawing.roll.profile import profile
from orthocline.drawing.scene import Scene
from orthocline.services.account.access import Viewer
from orthocline.services.account.measures import Measures, first_calls, golfer_figures
from orthocline.services.ground.places import Place
from orthocline.services.log.habits import correction_meant
from orthocline.services.read.reading import against_usual, compare_own, read_putt
from orthocline.web.read.beside import Source, beside, source_of
from orthocline.web.read.calls_view import CallsView
from orthocline.web.read.handles import Handle, handles_of
from orthocline.web.read.sure_view import SureView
from orthocline.web.shared.answered import Answered
from orthocline.web.shared.asked import Asked
from orthocline.web.shared.places import place_in
from orthocline.web.shared.places_view import PlacesView
from orthocline.web.shared.read_form import READ_FIELDS, ReadForm
from orthocline.web.shared.read_value import USUAL_OWN
from orthocline.web.shared.readings import FIELD
from orthocline.wording.calls import SAYINGS
from orthocline.wording.figures import tidy
from orthocline.wording.instruments import instrument_choice
from orthocline.wording.log.habits import corrected_words, correction_words
from orthocline.wording.read.call import entry_words
from orthocline.wording.read.rolled import fate_words, impression_words, own_words
from orthocline.wording.read.warnings import note_words, other_lines_words
from orthocline.wording.speed.day import day_words

DRAGGED = (
    *("length", "side", "falls", "rise", "slope", "past", "usual"),
    *("grain_toward", "wind_toward", "toward", "impression", "own", "own_by", "own_side"),
)
"""The fields that a drag changes."""


@dataclass(frozen=True)
class OtherLine:
    """Another line at the same pace: what tells it from this one, and the address that reads it."""

    words: str
    address: str


@dataclass(frozen=True)
class ReadView(Answered):
    """Everything the read page shows.

    Attributes
    ----------
    usual_ft : callable
        Returns the speed [ft] of the golfer's usual green, or None.
    first_calls : tuple of str
        The calls that lead unless the address says which.
    corrections : sequence of Correction
        Those that the golfer has switched on.
    """

    usual_ft: Callable[[], float | None] = lambda: None
    first_calls: tuple[str, ...] = ()
    corrections: Sequence[Correction] = ()

    @cached_property
    def form(self) -> ReadForm:
        """The fields of the page."""
        return ReadForm(MultiDict(self.shown), meta={"wording": self.wording})

    @cached_property
    def shown(self) -> dict[str, str]:
        """The same as the page's fields show them."""
        return self.read.shown if self.read else self.asked.typed

    @cached_property
    def said(self) -> dict[str, str]:
        """The fields as data for the script: in a frame of a drag those that it can change, as shown."""
        if self.read is None or self.read.held is None:
            return self.exact
        return {name: text for name, text in self.shown.items() if name in DRAGGED or FIELD.fullmatch(name)}

    @property
    def rounded(self) -> dict[str, str]:
        """The fields that show less than the address says."""
        return {name: text for name, text in self.shown.items() if self.said.get(name, text) != text}

    @property
    def place(self) -> Place:
        """Where the putt lies."""
        return place_in(self.shown)

    @property
    def here(self) -> str:
        """The address of this read, to come back to."""
        return f"/read?{self.query}"

    @property
    def look_address(self) -> str:
        """The walk round this putt: what was typed and nothing says how sure it is counts as a first look."""
        looked = {name: self.exact.get(name) or FIRST_LOOK for name in ("side_from", "rise_from")}
        return f"/look?{urlencode(self.exact | ({} if self.places.rows else looked))}"

    @property
    def eyes_address(self) -> str:
        """This putt as its golfer sees it."""
        return f"/eyes?{self.query}"

    @property
    def straight_address(self) -> str:
        """The straight putt of this green."""
        return f"/straight?{self.query}"

    @property
    def balls_address(self) -> str:
        """What a watched ball says of this putt."""
        return f"/balls?{self.query}"

    @property
    def grain_address(self) -> str:
        """The clues of this putt's grain."""
        return f"/grain?{self.query}"

    @property
    def cards_address(self) -> str:
        """Pocket cards for this green speed and roll-past."""
        if self.solved is None:
            return "/cards"
        putt = self.solved.putt
        fields = {"speed": tidy(putt.green_speed_ft)}
        if isinstance(putt.pace, RollPast):
            fields["past"] = self.wording.typed_near(putt.pace.past_m)
        return f"/cards?{urlencode(fields)}"

    @property
    def source(self) -> Source:
        """Where the green speed comes from."""
        return source_of(self.read, self.wording, self.now)

    @cached_property
    def trust(self) -> SureView | None:
        """What the page says of how sure the read is."""
        return SureView(self.the_read, self.sure, self.wording) if self.sure else None

    @cached_property
    def calls(self) -> CallsView:
        """The calls, those that lead first."""
        read = self.read
        first = read.calls if read and read.calls is not None else self.first_calls
        lines = self.words.lines if self.words else ()
        return CallsView(lines, first, read.lit if read else "", self.wording)

    @property
    def against(self) -> str:
        """What the day's speed does to this putt, against the golfer's usual green."""
        usual_ft = self.usual_ft() if self.answer else None
        if self.answer is None or usual_ft is None:
            return ""
        effect = against_usual(self.viewer, self.answer, usual_ft)
        return day_words(self.answer.putt.green_speed_ft, usual_ft, effect) if effect else ""

    @property
    def told(self) -> str:
        """What is told aloud: the call, or why there is none."""
        if self.words:
            return self.words.sentence
        return (
            "Your read first: where would you aim?"
            if self.hidden
            else next(iter(self.asked.errors.values()), "")
        )

    @property
    def own(self) -> str:
        """How far the golfer's own read is off, and what it would have done."""
        if self.answer is None or self.the_read.own is None:
            return ""
        return own_words(self.answer, self.the_read.own, self.own_roll, self.golfer, self.wording)

    @cached_property
    def _correction(self) -> Correction | None:
        """The correction that is meant for the own read, or for one in the words that are chosen."""
        if self.answer is None:
            return None
        own = self.the_read.own
        return correction_meant(self.corrections, self.answer, own.name if own else self.the_read.own_by)

    @cached_property
    def _corrected(self) -> OwnRoll | None:
        """The roll of the own read as it is corrected."""
        if self.answer is None or self._correction is None or self.own_roll is None:
            return None
        aim = Answer("aim_spot", (self._correction.factor * self.own_roll.aim_right_m,))
        return compare_own(self.viewer, self.answer, aim)

    @property
    def correction(self) -> str:
        """What a correction that is on makes of the own read; until there is one, what it asks for."""
        if self.answer is None or self._correction is None:
            return ""
        if self._corrected is None:
            return f"Your correction is on. {correction_words(self._correction, self.wording)}"
        said = corrected_words(self._correction, self._corrected.aim_right_m, self.wording)
        return f"{said}: it would {fate_words(self.answer, self._corrected, self.wording)}"

    @property
    def impression(self) -> str:
        """The same of the first impression."""
        if self.answer is None or self.impression_roll is None:
            return ""
        return impression_words(self.answer, self.impression_roll, self.wording)

    @property
    def impression_address(self) -> str:
        """The address that takes the first impression for the own read."""
        return f"/read?{self.the_read.own_aim(self.the_read.impression_m or 0.0).query}"

    @property
    def own_example(self) -> str:
        """An own read as it is typed in the words that were chosen."""
        return SAYINGS[self.read.own_by if self.read else USUAL_OWN].example(self.wording)

    @property
    def own_examples(self) -> dict[str, str]:
        """The same for all words."""
        return {
            name: SAYINGS[name].example(self.wording) for name, school in SCHOOLS.items() if school.launch
        }

    @cached_property
    def places(self) -> PlacesView:
        """The ground as it was read in places."""
        return PlacesView(self.viewer, self.read, self.shown, self.wording)

    @cached_property
    def fall(self) -> str:
        """How the whole putt falls by readings in places."""
        return self.places.fall(self.answer, self.now)

    @property
    def fields(self) -> list[str]:
        """The names of all fields."""
        return [*READ_FIELDS, *self.places.names]

    @cached_property
    def plan(self) -> Plan | None:
        """The picture from above."""
        if self.solved is None:
            return None
        says = self.words.sentence if self.words else "The putt, drawn to scale"
        held = self.the_read.held
        tries = self.the_read.tries_m if self.the_read.fan else None
        rolls = self.rolls | ({"your read, corrected": self._corrected} if self._corrected else {})
        return plan(
            *(self.solved.putt, self.answer, self.wording, rolls, held, says, self.sure, tries),
            self.places.marks,
            self.golfer,
            self.the_read.lit,
            self.the_read.impression_m if self.hidden else None,
        )

    @property
    def profile(self) -> Scene | None:
        """The rise and fall along the line, and where the slope counts."""
        counting = self.sure.counting if self.sure else None
        if self.solved is None:
            return None
        return profile(self.solved.putt, self.answer, self.wording, counting, self.places.marks)

    @property
    def cup(self) -> Scene | None:
        """The hole, drawn large."""
        return cup(self.answer) if self.answer else None

    @property
    def entry(self) -> tuple[str, str] | None:
        """Where the ball goes in."""
        return entry_words(self.answer) if self.answer else None

    @property
    def notes(self) -> tuple[str, ...]:
        """What the golfer must know."""
        return note_words(self.answer, self.wording) if self.answer else ()

    @property
    def straight_in(self) -> str:
        """Where the ball rolls back into the hole, the address of one that goes straight in."""
        if self.answer is None or ReadWarning.COMES_BACK not in self.answer.warnings:
            return ""
        straight = softest_straight_in(self.answer.putt, self.answer.aim)
        if straight is None:
            return ""
        pace, unit = SpeedAtHole(straight.speed_at_hole_mps), self.wording.units.ball_speed
        return f"/read?{self.the_read.at_pace(pace, unit).query}"

    @property
    def other_lines(self) -> tuple[OtherLine, ...]:
        """The same pace by another way."""
        if self.answer is None:
            return ()
        return tuple(
            OtherLine(words, f"/read?{self.the_read.by_line(number).query}")
            for number, words in other_lines_words(self.answer, self.wording)
        )

    def source_choice(self, instrument: str) -> str:
        """Return where a figure comes from as a choice."""
        return instrument_choice(instrument, self.wording)

    @property
    def beside(self) -> dict[str, str]:
        """What stands beside each input: the same figure in other words."""
        return beside(self.the_read, self.wording) if self.solved else {}

    @property
    def beat(self) -> dict[str, str] | None:
        """Beat mark and stroke as the beat's page takes them; None for a ball at rest by then."""
        mark = beat_mark_of(self.answer, self.golfer) if self.answer else None
        if self.answer is None or mark is None:
            return None
        stroke_m = stroke_of(self.answer, self.golfer).length_m
        return {"stroke": self.wording.exact(stroke_m), "mark": self.wording.far(mark.along_m)}

    @property
    def handles(self) -> dict[str, Handle]:
        """What can be dragged, by name."""
        if self.plan is None or self.solved is None:
            return {}
        return handles_of(self.solved, self.plan, self.the_read, self.shown, self.places)


def view(
    viewer: Viewer,
    asked: Asked,
    measures: Measures | None,
    now: datetime,
    usual_ft: Callable[[], float | None],
    corrections: Sequence[Correction],
) -> ReadView:
    """Return the page of what is asked; refused in Competition."""
    solved = read_putt(viewer, asked.putt) if asked.putt else None
    golfer, first = golfer_figures(measures), first_calls(measures)
    return ReadView(asked, viewer, golfer, now, solved, usual_ft, first, corrections)
