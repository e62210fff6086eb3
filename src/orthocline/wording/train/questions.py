"""The trainer's questions in words, and its answers as they are tapped, typed and written again."""

import math
from collections.abc import Callable, Iterator, Mapping
from typing import Final, NamedTuple

from orthocline.core.calls import Answer
from orthocline.core.roll import Putt
from orthocline.core.train import CARDS, Asks, Cue, Given
from orthocline.core.units import FOOT_M, PERCENT, wrap_rad
from orthocline.wording.calls.answers import Writing, answer_side, answer_text, parse_answer, parse_beside
from orthocline.wording.calls.saying import beside_line, beyond_hole
from orthocline.wording.figures import hour_words, speed_text, tidy
from orthocline.wording.quantities import QuantityError, parse_degrees, parse_far_m, parse_slope
from orthocline.wording.wording import Wording

MOST_PLAYED_M: Final = 60.0
MOST_SLOPE: Final = 0.15
SHARES: Final = (0.6, 0.7, 0.8, 0.9, 1.0, 1.1, 1.2, 1.35, 1.5, 1.75)
"""Of the putt's length: how long it may play."""
MARKS: Final = (-4, -3, -2, -1, 0, 1, 2, 3, 4, 6, 8)
"""Where it may be paced to, in steps past the hole."""
STEPS_A_PUTT: Final = 14.0
HALVES: Final = 13
"""Slopes from none to six percent in halves."""
HALF_HOURS: Final = range(6, 19)
"""Putts go in from three to nine; what does not is typed."""
SIDES: Final = {"left": -1.0, "straight": 0.0, "right": 1.0}
PAIR: Final = {"first": 0.0, "other": 1.0}


class QuestionWords(NamedTuple):
    """A question: its name in lists, itself, and what is to be done to answer it."""

    name: str
    asks: str
    how: str


QUESTIONS: Final[Mapping[Asks, QuestionWords]] = {
    Asks.SIDE: QuestionWords("Which way", "Which way does it break?", "Tap a side."),
    Asks.AMOUNT: QuestionWords(
        "How much", "Where would you aim?", "Tap or drag on the ground, or say it in your own words."
    ),
    Asks.PLAYS: QuestionWords(
        "How it plays", "How long does it play?", "Longer is uphill, shorter downhill."
    ),
    Asks.APEX: QuestionWords(
        "Apex", "Where is its way furthest out?", "Tap the place on the ground, then answer."
    ),
    Asks.ENTRY: QuestionWords(
        "Hour", "At what hour does it go in?", "Six is the side of the hole nearest your ball."
    ),
    Asks.STRAIGHT: QuestionWords(
        "Straight putt", "From where is it straight?", "Walk round the hole until it does not break."
    ),
    Asks.PAIR: QuestionWords("Which of two", "Which of the two breaks more?", "Tap it."),
    Asks.SLOPE: QuestionWords(
        "Slope", "How steep is it from ball to hole?", "All of its slope, whichever way it falls."
    ),
    Asks.PACE: QuestionWords(
        "Pace", "Where do you pace it to, for a foot past?", "The mark you would putt to on level ground."
    ),
    Asks.CARD: QuestionWords("Slope card", "How many percent?", "One to six; the keys do it too."),
    Asks.GATE: QuestionWords(
        "Gate", "Where does it pass two thirds of the way?", "Tap or drag across the line there."
    ),
}
CUE_WORDS: Final = {
    Cue.HORIZON: "grid and horizon",
    Cue.GRID: "grid alone",
    Cue.SHEEN: "sheen alone: grass that leans toward you is dark",
}
SUN_WAYS: Final = (
    *("ahead", "ahead on the right", "on the right", "behind on the right"),
    *("behind you", "behind on the left", "on the left", "ahead on the left"),
)


class Chip(NamedTuple):
    """An answer that is given by one tap: what it is sent as, what it says, and its key."""

    value: str
    says: str
    key: str = ""


def facts_words(putt: Putt, wording: Wording) -> str:
    """Return what is said of a putt beside its question: ``14 ft · green speed 10.2 · a foot past``."""
    return f"{wording.far(putt.length_m)} · green speed {speed_text(putt.green_speed_ft)} · a foot past"


def cue_words(cue: Cue, sun_rad: float) -> str:
    """Return what the ground shows of itself; of a low sun where it stands, clockwise from straight ahead."""
    if cue is not Cue.SUN:
        return CUE_WORDS[cue]
    where = SUN_WAYS[round(sun_rad / (0.25 * math.pi)) % len(SUN_WAYS)]
    return f"a low sun {where}: bright ground falls toward it"


def felt_words(putt: Putt, wording: Wording) -> str:
    """Return the slope of a putt as feet feel it half-way."""
    side = "right" if putt.side_tilt_right >= 0.0 else "left"
    way = "up" if putt.grade >= 0.0 else "down"
    tilt, grade = (wording.slope(abs(one)) for one in (putt.side_tilt_right, putt.grade))
    return f"It falls {tilt} to the {side} and goes {grade} {way}."


def chips(asks: Asks, putt: Putt, wording: Wording) -> list[Chip]:
    """Return the answers that are given by one tap; none for what is placed or walked to."""
    return list(CHIPS[asks](putt, wording)) if asks in CHIPS else []


def _sides(_putt: Putt, _wording: Wording) -> Iterator[Chip]:
    keys = ("ArrowLeft", "ArrowUp", "ArrowRight")
    for name, key in zip(SIDES, keys, strict=True):
        yield Chip(name, name, key)


def _lengths(putt: Putt, wording: Wording) -> Iterator[Chip]:
    step = (0.1 if wording.units.metric else 0.5) * wording.units.far_m
    for length in dict.fromkeys(step * round(share * putt.length_m / step) for share in SHARES):
        said = wording.far(length)
        yield Chip(said, said)


def _marks(putt: Putt, wording: Wording) -> Iterator[Chip]:
    unit = 0.25 if wording.units.metric else FOOT_M
    step = unit * max(0.5, round(putt.length_m / (STEPS_A_PUTT * unit)))
    for mark in MARKS:
        if mark * step > -0.8 * putt.length_m:
            said = (
                f"{wording.far(abs(mark * step))} {'past' if mark > 0 else 'short'}"
                if mark
                else "at the hole"
            )
            yield Chip(said, said)


def _hours(_putt: Putt, _wording: Wording) -> Iterator[Chip]:
    for half in HALF_HOURS:
        hour = half // 2
        text = f"{hour}:{'30' if half % 2 else '00'}"
        yield Chip(text, "·" if half % 2 else str(hour))


def _slopes(_putt: Putt, wording: Wording) -> Iterator[Chip]:
    for half in range(HALVES):
        slope = 0.5 * half * PERCENT
        yield Chip(f"{0.5 * half:g} %", wording.slope(slope), "" if half % 2 else str(half // 2))


def _cards(_putt: Putt, wording: Wording) -> Iterator[Chip]:
    for percent in CARDS:
        yield Chip(f"{percent} %", wording.slope(percent * PERCENT), str(percent))


def _pair(_putt: Putt, _wording: Wording) -> Iterator[Chip]:
    yield Chip("first", "this one", "1")
    yield Chip("other", "this one", "2")


CHIPS: Final[Mapping[Asks, Callable[[Putt, Wording], Iterator[Chip]]]] = {
    Asks.SIDE: _sides,
    Asks.PLAYS: _lengths,
    Asks.PACE: _marks,
    Asks.ENTRY: _hours,
    Asks.SLOPE: _slopes,
    Asks.CARD: _cards,
    Asks.PAIR: _pair,
}


def parse_given(asks: Asks, text: str, wording: Wording, *, by: str, side: str, putt: Putt) -> Given:
    """Return an answer as it was tapped or typed; an amount is said `by` a school, by itself to a `side`.

    Raises
    ------
    QuantityError
        For anything that is none; the message says what is allowed.
    """
    if not text.strip():
        raise QuantityError("is not given yet")
    right = -1.0 if side == "left" else 1.0
    if asks is Asks.AMOUNT:
        return Given(parse_answer(by, text, right, wording), by)
    return Given(PARSERS[asks](text.strip().lower(), right, wording, putt))


Figures = tuple[float, ...]


def _named(names: Mapping[str, float]) -> Callable[[str, float, Wording, Putt], Figures]:
    def parsed(text: str, _right: float, _wording: Wording, _putt: Putt) -> Figures:
        if text not in names:
            raise QuantityError(f"must be {', '.join(list(names)[:-1])} or {list(names)[-1]}")
        return (names[text],)

    return parsed


def _in(school: str) -> Callable[[str, float, Wording, Putt], Figures]:
    return lambda text, right, wording, _putt: parse_answer(school, text, right, wording)[:1]


def _played(text: str, _right: float, wording: Wording, _putt: Putt) -> Figures:
    length = parse_far_m(text, wording)
    if not 0.0 < length <= MOST_PLAYED_M:
        raise QuantityError("must be a length such as 17 ft, at most 200 ft (60 m)")
    return (length,)


def _apex(text: str, right: float, wording: Wording, putt: Putt) -> Figures:
    along, comma, aside = text.partition(",")
    if not comma:
        raise QuantityError("needs two figures, such as 8 ft ahead, 6 in left")
    length = parse_far_m(along.strip().removesuffix("ahead"), wording)
    if not 0.0 <= length <= putt.length_m:
        raise QuantityError("must lie between ball and hole")
    return length, parse_beside(aside.strip(), right, wording)


def _turned(text: str, _right: float, _wording: Wording, _putt: Putt) -> Figures:
    return (wrap_rad(math.radians(parse_degrees(text))),)


def _sloped(text: str, _right: float, wording: Wording, putt: Putt) -> Figures:
    slope = parse_slope(text, putt.length_m, wording)[0]
    if not 0.0 <= slope <= MOST_SLOPE:
        raise QuantityError("must be a slope from 0 to 15 %")
    return (slope,)


PARSERS: Final[Mapping[Asks, Callable[[str, float, Wording, Putt], Figures]]] = {
    Asks.SIDE: _named(SIDES),
    Asks.PAIR: _named(PAIR),
    Asks.PLAYS: _played,
    Asks.PACE: _in("pace_target"),
    Asks.ENTRY: _in("cup_entry"),
    Asks.GATE: _in("curve_gate"),
    Asks.APEX: _apex,
    Asks.STRAIGHT: _turned,
    Asks.SLOPE: _sloped,
    Asks.CARD: _sloped,
}


def given_text(asks: Asks, given: Given, wording: Wording) -> tuple[str, str]:
    """Return an answer that was placed or walked to as it is typed, and its side."""
    writing = Writing(lambda figure: tidy(figure, 2), wording.units.near, wording)
    if asks in (Asks.AMOUNT, Asks.GATE):
        answer = Answer("aim_spot" if asks is Asks.AMOUNT else "curve_gate", given.figures)
        return answer_text(answer, writing), answer_side(answer)
    if asks is Asks.APEX:
        along, right = given.figures
        return f"{wording.far(along)} ahead, {wording.short(abs(right))}", "left" if right < 0.0 else "right"
    return tidy(math.degrees(given.figures[0])), "right"


def said_words(asks: Asks, figure: float, wording: Wording) -> str:
    """Return an answer, or what is so, as a sentence says it."""
    if asks is Asks.SIDE:
        return "straight" if figure == 0.0 else "left" if figure < 0.0 else "right"
    if asks is Asks.PAIR:
        return "the first" if figure == 0.0 else "the second"
    return SAID[asks](figure, wording)


SAID: Final[Mapping[Asks, Callable[[float, Wording], str]]] = {
    Asks.AMOUNT: beside_line,
    Asks.PLAYS: lambda length, wording: wording.far(length),
    Asks.APEX: beside_line,
    Asks.ENTRY: lambda hour, _: hour_words(hour),
    Asks.STRAIGHT: lambda turn, _: f"{tidy(math.degrees(abs(turn)), 0)}° {'left' if turn > 0.0 else 'right'}",
    Asks.SLOPE: lambda slope, wording: wording.slope(slope),
    Asks.PACE: beyond_hole,
    Asks.CARD: lambda slope, wording: wording.slope(slope),
    Asks.GATE: beside_line,
}
