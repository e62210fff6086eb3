"""The read page's variables."""

from dataclasses import asdict, dataclass

from orthocline.core.api import PACE_M, PAST_RANGE_M, Read, RollPast, grain_worth
from orthocline.formats.wording import percent_text, tidy
from orthocline.services.call import Call, call, entry_words, own_words
from orthocline.services.mode import Mode
from orthocline.services.reading import compare_own, read_putt
from orthocline.web.read.asked import Asked
from orthocline.web.read.drawing import HEIGHT, WIDTH, Plan, plan
from orthocline.web.read.forms import ReadForm
from orthocline.web.read.inset import Cup, cup
from orthocline.web.read.profile import Profile, profile


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
class ReadView:
    """Everything the read page shows.

    Attributes
    ----------
    hidden : bool
        My read first: the call is held back until the golfer has entered an own aim.
    words : Call or None
        None while the putt cannot be read, or the read is hidden.
    """

    form: ReadForm
    values: dict[str, str]
    errors: dict[str, str]
    hidden: bool
    plan: Plan | None = None
    profile: Profile | None = None
    cup: Cup | None = None
    words: Call | None = None
    entry: tuple[str, str] | None = None
    own: str = ""
    notes: tuple[str, ...] = ()
    beside: dict[str, str] | None = None
    handles: tuple[Handle, ...] = ()

    @property
    def handles_data(self) -> list[dict[str, str | float]]:
        """The handles as data for the script that moves them."""
        return [asdict(handle) for handle in self.handles]


def view(asked: Asked, mode: Mode) -> ReadView:
    """Return the page of what is asked; refused in Competition."""
    answer = read_putt(asked.putt, mode) if asked.putt else None
    own_aim = asked.form.own_aim_right_m
    hidden = asked.form.first.data == "1" and own_aim is None
    if answer is None:
        return ReadView(asked.form, asked.values, asked.errors, hidden)
    own = compare_own(answer, own_aim, mode) if own_aim is not None else None
    shown = None if hidden else answer
    drawn = plan(answer.putt, shown, None if hidden else own, asked.frame)
    return ReadView(
        asked.form,
        asked.values,
        asked.errors,
        hidden,
        plan=drawn,
        profile=profile(answer.putt, shown),
        cup=cup(answer) if shown else None,
        words=call(answer) if shown else None,
        entry=entry_words(answer) if shown else None,
        own=own_words(answer, own) if own and shown else "",
        notes=_notes(answer) if shown else (),
        beside=_beside(answer),
        handles=_handles(answer, drawn, asked.values),
    )


def _notes(answer: Read) -> tuple[str, ...]:
    """Return the warnings, and what grain is worth."""
    notes = [warning.message for warning in answer.warnings]
    if answer.putt.grain.strength:
        worth = percent_text(grain_worth(answer.putt))
        notes.append(f"This grain is worth {worth} of slope, and is counted.")
    return tuple(notes)


def _beside(answer: Read) -> dict[str, str]:
    """Return what stands beside each input: the same figure in other words."""
    putt = answer.putt
    grade = putt.surface.grade(putt.bearing_rad)
    paces = tidy(putt.length_m / PACE_M)
    past = "if covered" if isinstance(putt.pace, RollPast) else "speed at the hole"
    return {
        "length": f"{paces} {'pace' if paces == '1' else 'paces'}",
        "rise": percent_text(abs(grade)),
        "past": past,
    }


def _handles(answer: Read, drawn: Plan, values: dict[str, str]) -> tuple[Handle, ...]:
    putt = answer.putt
    ball, rest, (knob_x, knob_y) = drawn.ball, drawn.rest, drawn.fall_knob
    side = f"{values['side']} falling {values['falls']}"
    found = [
        _handle(
            "ball", "Ball: length, and round the hole", values["length"], putt.length_m, 60, ball.x, ball.y
        ),
        _handle("fall", "Fall: which way water runs", side, drawn.fall_deg % 360, 360, knob_x, knob_y),
    ]
    if drawn.answer and isinstance(putt.pace, RollPast) and answer.aim.past_m is not None:
        past = putt.pace.past_m
        found.append(_handle("past", "Roll-past", values["past"], past, PAST_RANGE_M[1], rest.x, rest.y))
    return tuple(found)


def _handle(name: str, label: str, says: str, now: float, most: float, x: float, y: float) -> Handle:
    left, top = round(100 * x / WIDTH, 2), round(100 * y / HEIGHT, 2)
    return Handle(name, label, says, round(now, 2), most, left, top)
