"""Answers in a school's own words: typed figures read, and written again."""

import math
import re
from collections.abc import Callable, Mapping
from typing import NamedTuple

from orthocline.core.calls import SCHOOLS, Answer, Figures, Term
from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M
from orthocline.core.units import FOOT_M
from orthocline.wording.calls.saying import beside_line, beyond_hole, fingers_words
from orthocline.wording.figures import COUNTS, HOURS, hour_words, side
from orthocline.wording.quantities import (
    LENGTH_UNITS_M,
    QuantityError,
    parse_far_m,
    parse_near_m,
    parse_number,
)
from orthocline.wording.typed import size_of
from orthocline.wording.wording import Wording

LONGEST = 80
MOST_M = 100.0 * FOOT_M
"""Nothing is answered further than that."""
MOST_FINGERS = 40.0
BALL_M, CUP_M = 2.0 * BALL_RADIUS_M, 2.0 * HOLE_RADIUS_M
SIDES = {"left": -1.0, "right": 1.0}
PLACES = (
    *("the centre", "inside the {}", "at the {} edge", "just outside the {}"),
    *("a little outside the {}", "well outside the {}", "far outside the {}"),
)
MOODS = ("dying", "just past", "past", "firm", "running on")
COUNTED = {"a": 1.0, "an": 1.0, "half a": 0.5, **{word: float(i) for i, word in enumerate(COUNTS) if i}}
QUARTER_HOURS = {"quarter past": 0.25, "half past": 0.5, "quarter to": -0.25}
WORD = "|".join(sorted(COUNTED, key=len, reverse=True))
CENTRE = re.compile(r"(?:at |on )?(?:the )?(?:centre|center|line|hole|cup)|straight|none")
CUPS = re.compile(rf"(?:about )?(?:({WORD})\s+)?(.*?)\s*cups?( and a half)?")
OUTSIDE = re.compile(r"(.*?)\s*outside")
BALLS = re.compile(rf"({WORD}|\d+)\s+balls?")
HOUR = re.compile(r"(\d{1,2})(?:([.,]\d+)|:(\d\d))?\s*(?:h|o'?clock)?")
UNIT = re.compile(r"\d\s*([a-z'\"′″]+)")
Writer = Callable[[float], str]


class Writing(NamedTuple):
    """How figures of an answer are written: all digits or few, lengths in which unit, by whom."""

    figure: Writer
    unit: str
    wording: Wording


def parse_answer(name: str, text: str, right: float, wording: Wording) -> Figures:
    """Return an answer to a school's call in SI units, a figure for each of its terms.

    A figure that says no side lies to the right if `right` is positive, else to the left. An aim may be a
    band between two lines: then its half width [m] follows.

    Raises
    ------
    QuantityError
        For anything that cannot be read as one; the message says what is allowed.
    """
    terms, plain = SCHOOLS[name].terms, text.strip().lower()
    if len(plain) > LONGEST:
        raise QuantityError(f"is too long; at most {LONGEST} letters are read")
    if terms == (Term.ASIDE,) and " to " in plain:
        return _band(plain, right, wording)
    parts = [part.strip() for part in plain.split(",")] if len(terms) > 1 else [plain]
    if terms[len(parts) :] == (Term.MOOD,):
        parts.append(MOODS[-1])
    if len(parts) != len(terms):
        raise QuantityError(f"needs {len(terms)} figures with a comma between them")
    return tuple(PARSERS[term](part, right, wording) for term, part in zip(terms, parts, strict=True))


def answer_text(answer: Answer, writing: Writing) -> str:
    """Return an answer as it is typed, without its side unless it has two."""
    if answer.band_m is not None:
        return " to ".join(f"{_length(end, writing)} {side(end)}" for end in _ends(answer, answer.band_m))
    return ", ".join(WRITERS[term](figure, writing) for term, figure in _termed(answer))


def answer_side(answer: Answer) -> str:
    """Return the side of an answer; right where it has none."""
    sided = (Term.ASIDE, Term.FINGERS, Term.PLACE)
    signs = [figure for term, figure in _termed(answer) if term in sided]
    return "left" if signs and signs[0] < 0.0 else "right"


def answer_words(answer: Answer, wording: Wording) -> str:
    """Return an answer as a sentence says it: ``2½ fingers left``, ``10 in left to 14 in left``."""
    if answer.band_m is not None:
        return " to ".join(beside_line(end, wording) for end in _ends(answer, answer.band_m))
    return ", ".join(SAID[term](figure, wording) for term, figure in _termed(answer))


def _termed(answer: Answer) -> list[tuple[Term, float]]:
    return list(zip(answer.school.terms, answer.figures, strict=False))


def _ends(answer: Answer, half_m: float) -> tuple[float, float]:
    return answer.figures[0] - half_m, answer.figures[0] + half_m


def near_unit(text: str, wording: Wording) -> str:
    """Return the unit in which an answer's lengths were typed, the golfer's own where there is none."""
    found = [unit for unit in UNIT.findall(text.lower()) if unit in LENGTH_UNITS_M]
    if not found:
        return wording.units.near
    return next(name for name, size in LENGTH_UNITS_M.items() if size == LENGTH_UNITS_M[found[0]])


def place_words(place: float) -> str:
    """Return the step of an aim without numbers: ``a little outside the right``."""
    return PLACES[round(abs(place))].format(side(place))


def mood_words(mood: float) -> str:
    """Return the step of a pace without numbers: ``dying``."""
    return MOODS[round(mood)]


def parse_beside(text: str, right: float, wording: Wording) -> float:
    """Return how far beside the line an aim or a mark lies [m], positive to the right.

    As a length, or about the cup: ``9 in left``, ``a ball outside the right edge``, ``two cups left``.
    """
    words, sign = _sided(text.strip().lower(), right)
    if not words:
        raise QuantityError("needs a figure, such as 9 in left or a ball outside the right edge")
    if CENTRE.fullmatch(words):
        return 0.0
    if words in ("edge", "at edge"):
        return sign * HOLE_RADIUS_M
    if words in ("inside", "inside edge"):
        return sign * 0.5 * HOLE_RADIUS_M
    outside = OUTSIDE.fullmatch(words.removesuffix(" edge"))
    off = HOLE_RADIUS_M if outside else 0.0
    return sign * _within(off + _size(outside[1] if outside else words, wording))


def _size(text: str, wording: Wording) -> float:
    """Return a length [m] in cups, balls or units."""
    balls = BALLS.fullmatch(text)
    if balls:
        return BALL_M * (COUNTED[balls[1]] if balls[1] in COUNTED else float(balls[1]))
    cups = CUPS.fullmatch(text)
    if cups and (cups[1] or cups[2]):
        whole = COUNTED[cups[1]] if cups[1] else parse_number(cups[2], "so many cups, such as two cups left")
        return CUP_M * (whole + (0.5 if cups[3] else 0.0))
    return parse_near_m(text, wording)


def _sided(text: str, right: float) -> tuple[str, float]:
    """Return words without their side, and its sign."""
    for name, sign in SIDES.items():
        if re.search(rf"\b{name}\b", text):
            plain = re.sub(rf"\b(?:the |of )?{name}\b|\bof centre\b", " ", text)
            return " ".join(plain.split()), sign
    return text, math.copysign(1.0, right)


def _within(length_m: float) -> float:
    if abs(length_m) > MOST_M:
        raise QuantityError("must be at most 100 ft (30 m)")
    return length_m


def _beyond(text: str, _right: float, wording: Wording) -> float:
    if CENTRE.fullmatch(text):
        return 0.0
    for word, sign in (("past", 1.0), ("beyond", 1.0), ("short", -1.0)):
        if text.endswith(word):
            return sign * _within(abs(parse_near_m(text.removesuffix(word), wording)))
    raise QuantityError("must be past or short of the hole, such as 1 ft past")


def _length_typed(parse: Callable[[str, Wording], float]) -> Callable[[str, float, Wording], float]:
    def parsed(text: str, _right: float, wording: Wording) -> float:
        length = _within(parse(text.removesuffix("ahead").removesuffix("square across"), wording))
        if length < 0.0:
            raise QuantityError("must not be below 0")
        return length

    return parsed


def _hour(text: str, _right: float, _wording: Wording) -> float:
    for words, more in QUARTER_HOURS.items():
        if text.startswith(words) and text.removeprefix(words).strip() in HOURS:
            return (HOURS.index(text.removeprefix(words).strip()) + more) % 12.0
    named = text.removesuffix("o'clock").strip()
    if named in HOURS:
        return float(HOURS.index(named))
    found = HOUR.fullmatch(text)
    hour = float(f"{found[1]}{(found[2] or '').replace(',', '.')}") if found else -1.0
    hour += float(found[3]) / 60.0 if found and found[3] else 0.0
    if not 0.0 <= hour < 13.0:
        raise QuantityError("must be an hour from 1 to 12, such as half past four or 4:30")
    return hour % 12.0


def _fingers(text: str, right: float, _wording: Wording) -> float:
    words, sign = _sided(text, right)
    words = re.sub(r"\s*fingers?$", "", words)
    if words == "no":
        return 0.0
    allowed = "so many fingers, such as 2½ fingers left"
    count = COUNTED[words] if words in COUNTED else abs(parse_number(words, allowed))
    if count > MOST_FINGERS:
        raise QuantityError(f"must be at most {MOST_FINGERS:g} fingers")
    return sign * count


def _place(text: str, right: float, _wording: Wording) -> float:
    words, sign = _sided(text, right)
    for step, said in enumerate(PLACES):
        if words.removeprefix("at ") in (said.replace(" the {}", "").removeprefix("at "), _edged(said)):
            return sign * step if step else 0.0
    raise QuantityError(
        f"must be words such as {', '.join(map(place_words, range(len(PLACES))))}, or to the left"
    )


def _edged(said: str) -> str:
    return f"{said.replace(' the {}', '').removesuffix(' edge')} edge"


def _mood(text: str, _right: float, _wording: Wording) -> float:
    if text not in MOODS:
        raise QuantityError(f"must be {', '.join(MOODS[:-1])} or {MOODS[-1]}")
    return float(MOODS.index(text))


def _band(text: str, right: float, wording: Wording) -> Figures:
    first, _, last = text.partition(" to ")
    if not re.search(r"[a-z]", first.replace("left", "").replace("right", "")):
        first = f"{first} {near_unit(last, wording)}"
    way = _sided(last, right)[1]
    ends = sorted((parse_beside(first, way, wording), parse_beside(last, right, wording)))
    return 0.5 * (ends[0] + ends[1]), 0.5 * (ends[1] - ends[0])


def _length(length_m: float, writing: Writing) -> str:
    return f"{writing.figure(abs(length_m) / size_of(writing.unit, writing.wording))} {writing.unit}"


def _write_beyond(beyond_m: float, writing: Writing) -> str:
    return f"{_length(beyond_m, writing)} {'short' if beyond_m < 0.0 else 'past'}"


def _write_ahead(length_m: float, writing: Writing) -> str:
    return _length(length_m, writing._replace(unit=writing.wording.units.far))


def _write_hour(hour: float, writing: Writing) -> str:
    quarter = round(4.0 * hour)
    if abs(4.0 * hour - quarter) > 1e-9:
        return writing.figure(hour)
    whole, part = divmod(quarter, 4)
    return f"{whole or 12}:{15 * part:02d}"


PARSERS: Mapping[Term, Callable[[str, float, Wording], float]] = {
    Term.ASIDE: parse_beside,
    Term.AHEAD: _length_typed(parse_far_m),
    Term.BEYOND: _beyond,
    Term.SIZE: _length_typed(parse_near_m),
    Term.HOUR: _hour,
    Term.FINGERS: _fingers,
    Term.PLACE: _place,
    Term.MOOD: _mood,
}
WRITERS: Mapping[Term, Callable[[float, Writing], str]] = {
    Term.ASIDE: _length,
    Term.AHEAD: _write_ahead,
    Term.BEYOND: _write_beyond,
    Term.SIZE: _length,
    Term.HOUR: _write_hour,
    Term.FINGERS: lambda count, writing: f"{writing.figure(abs(count))} fingers",
    Term.PLACE: lambda place, _: place_words(place),
    Term.MOOD: lambda mood, _: mood_words(mood),
}
SAID: Mapping[Term, Callable[[float, Wording], str]] = {
    Term.ASIDE: beside_line,
    Term.AHEAD: lambda length, wording: f"{wording.far(length)} ahead",
    Term.BEYOND: beyond_hole,
    Term.SIZE: lambda length, wording: wording.short(length),
    Term.HOUR: lambda hour, _: hour_words(hour),
    Term.FINGERS: lambda count, _: fingers_words(count),
    Term.PLACE: lambda place, _: place_words(place),
    Term.MOOD: lambda mood, _: mood_words(mood),
}
