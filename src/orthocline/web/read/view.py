"""The read page's variables."""

from dataclasses import asdict, dataclass
from datetime import datetime
from urllib.parse import urlencode

from orthocline.core.calls import GolferFigures, one_second_m, stroke_of
from orthocline.core.estimate import Estimate
from orthocline.core.roll import PAST_RANGE_M, Read, ReadWarning, RollPast, softest_straight_in
from orthocline.core.speed import aged
from orthocline.drawing.roll.cup import cup
from orthocline.drawing.roll.plan import HEIGHT, WIDTH, Plan, plan
from orthocline.drawing.roll.profile import profile
from orthocline.drawing.scene import Scene, Spot
from orthocline.services.account.measures import Measures, golfer_figures
from orthocline.services.account.mode import Mode
from orthocline.services.read.reading import compare_own, read_putt
from orthocline.services.speed.book import hours_since, is_stale
from orthocline.web.read.forms import ReadForm
from orthocline.web.read.request import ReadRequest
from orthocline.wording.figures import speed_text
from orthocline.wording.read.call import Call, call, entry_words, own_words
from orthocline.wording.read.warnings import note_words, other_lines_words
from orthocline.wording.speed.book import source_words
from orthocline.wording.wording import Wording


@dataclass(frozen=True)
class Handle:
    """Something that can be dragged: where it lies, in percent of the drawing, and what it says."""

    name: str
    label: str
    says: str
    now: float
    most: float
    left: float
    top: float


@dataclass(frozen=True)
class Source:
    """Where the green speed comes from: a few words for the head line, how sure, and whether it is old."""

    words: str
    sure: str
    stale: bool


@dataclass(frozen=True)
class OtherLine:
    """Another line at the same pace: what tells it from this one, and the address that reads it."""

    words: str
    address: str


@dataclass(frozen=True)
class ReadView:
    """Everything the read page shows.

    Attributes
    ----------
    source : Source
        Where the green speed comes from.
    straight_in : str
        Where the ball rolls back into the hole, the address of one that does not.
    other_lines : tuple of OtherLine
        The same pace by another way.
    hidden : bool
        My read first: the call is held back until the golfer has entered an own aim.
    beat : dict or None
        The address of the beat that counts this putt's first second.
    words : Call or None
        None while the putt cannot be read, or the read is hidden.
    """

    form: ReadForm
    values: dict[str, str]
    errors: dict[str, str]
    hidden: bool
    source: Source
    plan: Plan | None = None
    profile: Scene | None = None
    cup: Scene | None = None
    words: Call | None = None
    entry: tuple[str, str] | None = None
    own: str = ""
    notes: tuple[str, ...] = ()
    straight_in: str = ""
    other_lines: tuple[OtherLine, ...] = ()
    beside: dict[str, str] | None = None
    beat: dict[str, str] | None = None
    handles: tuple[Handle, ...] = ()

    @property
    def wording(self) -> Wording:
        """How the golfer says figures."""
        return self.form.wording

    @property
    def here(self) -> str:
        """The address of this read, to come back to."""
        return f"/read?{urlencode(self.values)}"

    @property
    def handles_data(self) -> list[dict[str, str | float]]:
        """The handles as data for the script that moves them."""
        return [asdict(handle) for handle in self.handles]


def view(wanted: ReadRequest, mode: Mode, measures: Measures | None, now: datetime) -> ReadView:
    """Return the page of what is asked; refused in Competition."""
    solved = read_putt(wanted.putt, mode) if wanted.putt else None
    own_aim, wording = wanted.form.own_aim_right_m, wanted.wording
    source, golfer = _source(wanted, now), golfer_figures(measures)
    hidden = wanted.form.first.data == "1" and own_aim is None
    if solved is None:
        return ReadView(wanted.form, wanted.values, wanted.errors, hidden, source)
    own = compare_own(solved, own_aim, mode) if own_aim is not None else None
    shown = None if hidden else solved
    words = call(solved, wording, golfer) if shown else None
    drawn = plan(
        solved.putt,
        shown,
        wording,
        None if hidden else own,
        wanted.frame,
        words.sentence if words else "The putt, drawn to scale",
    )
    return ReadView(
        wanted.form,
        _values(wanted, solved),
        wanted.errors,
        hidden,
        source,
        plan=drawn,
        profile=profile(solved.putt, shown, wording),
        cup=cup(solved) if shown else None,
        words=words,
        entry=entry_words(solved) if shown else None,
        own=own_words(solved, own, wording) if own and shown else "",
        notes=note_words(solved, wording) if shown else (),
        straight_in=_straight_in(solved, wanted) if shown else "",
        other_lines=_other_lines(solved, wanted) if shown else (),
        beside=_beside(solved, wanted),
        beat=_beat(solved, wording, golfer) if shown else None,
        handles=_handles(solved, drawn, wanted.values, hidden=hidden),
    )


def _values(wanted: ReadRequest, solved: Read) -> dict[str, str]:
    """Return the fields of the address, with the line that is read where the one asked for is not there."""
    if ReadWarning.LINE_NOT_THERE not in solved.warnings:
        return wanted.values
    return wanted.values | {"line": str(len(solved.lines))}


def _straight_in(solved: Read, wanted: ReadRequest) -> str:
    """Return the address at the softest pace that goes straight in, where the asked one comes back."""
    if ReadWarning.COMES_BACK not in solved.warnings:
        return ""
    straight = softest_straight_in(solved.putt, solved.aim)
    if straight is None:
        return ""
    return f"/read?{urlencode(wanted.values | {'past': f'{straight.speed_at_hole_mps:g} m/s'})}"


def _other_lines(solved: Read, wanted: ReadRequest) -> tuple[OtherLine, ...]:
    return tuple(
        OtherLine(words, f"/read?{urlencode(wanted.values | {'line': str(number)})}")
        for number, words in other_lines_words(solved, wanted.wording)
    )


def _source(wanted: ReadRequest, now: datetime) -> Source:
    origin = wanted.origin
    if origin is None:
        return Source("as typed", "", stale=False)
    age = hours_since(origin.measured_at, now)
    sure = aged(Estimate(origin.speed_ft, origin.within_ft / 2.0), age).within
    words = source_words(origin.method, wanted.wording.calendar.ago(origin.measured_at, now))
    return Source(words, f"±{speed_text(sure)} ft", stale=is_stale(origin.measured_at, now))


def _beside(solved: Read, wanted: ReadRequest) -> dict[str, str]:
    """Return what stands beside each input: the same figure in other words."""
    putt = solved.putt
    grade = putt.grade
    wording, typed = wanted.wording, (wanted.form.length.data or "").strip().lower()
    paces = wording.paces(putt.length_m)
    own_unit = typed.endswith((wording.units.far, "'", '"', "in")) or typed[-1:].isdigit()
    past = "if covered" if isinstance(putt.pace, RollPast) else "speed at the hole"
    return {
        "length": paces if own_unit else f"{wording.far(putt.length_m)} · {paces}",
        "rise": wording.slope(abs(grade)),
        "past": past,
    }


def _beat(solved: Read, wording: Wording, golfer: GolferFigures) -> dict[str, str] | None:
    """Return one-second mark and stroke as the beat's page takes them; None for a ball at rest by then."""
    mark_m = one_second_m(solved)
    if mark_m is None:
        return None
    return {"stroke": wording.exact(stroke_of(solved, golfer).length_m), "mark": wording.far(mark_m)}


def _handles(solved: Read, drawn: Plan, values: dict[str, str], *, hidden: bool) -> tuple[Handle, ...]:
    putt = solved.putt
    side = f"{values['side']} falling {values['falls']}"
    handles = [
        _handle("ball", "Ball: length, and round the hole", values["length"], putt.length_m, 60, drawn.ball),
        _handle("fall", "Fall: which way water runs", side, drawn.fall_deg % 360, 360, drawn.fall_knob),
    ]
    if not hidden and isinstance(putt.pace, RollPast) and solved.aim.past_m is not None:
        past = putt.pace.past_m
        handles.append(_handle("past", "Roll-past", values["past"], past, PAST_RANGE_M[1], drawn.rest))
    return tuple(handles)


def _handle(name: str, label: str, says: str, now: float, most: float, at: Spot) -> Handle:
    left, top = round(100 * at.x / WIDTH, 2), round(100 * at.y / HEIGHT, 2)
    return Handle(name, label, says, round(now, 2), most, left, top)
