"""How firm, in words: what each roll-past is worth to one golfer on one putt."""

from typing import NamedTuple

from orthocline.core.estimate import Span
from orthocline.core.holing import DYING_M, PACE_MARKS_M, Outlook, PaceAdvice
from orthocline.core.units import INCH_M
from orthocline.wording.figures import both
from orthocline.wording.wording import Wording

ROUNDED_M = 4.0 * INCH_M
"""Roll-pasts of advice are rounded to what a range so wide bears: an inch, or two centimetres."""
PACE_WORDS = {
    "dying": "dies in",
    "hand": "a hand",
    "foot": "a foot",
    "foot_and_half": "a foot and a half",
    "two_feet": "two feet",
}
"""The schools' paces."""


class PaceCall(NamedTuple):
    """The advice in one sentence: what to do, then why."""

    what: str
    why: str


def of_hundred(share: float) -> str:
    """Return a share as a count: ``40 of 100``, ``fewer than 1 of 100``."""
    if 0.0 < share < 0.005:
        return "fewer than 1 of 100"
    return f"{round(100 * share)} of 100"


def putts_text(putts: float) -> str:
    """Return putts on average: ``1.66``."""
    return f"{putts:.2f}"


def advised(past_m: float, wording: Wording) -> str:
    """Return a roll-past of advice: ``18 in``, ``46 cm``."""
    return wording.short(past_m, ROUNDED_M)


def stretch_words(stretch: Span, wording: Wording) -> str:
    """Return a stretch of roll-pasts: ``12 to 26 in past``, ``dying to 16 in past``."""
    if stretch.least <= DYING_M + 0.5 * INCH_M:
        return f"dying to {advised(stretch.most, wording)} past"
    return f"{both(advised(stretch.least, wording), advised(stretch.most, wording), 'to')} past"


def pace_call(advice: PaceAdvice, wording: Wording) -> PaceCall:
    """Return which roll-past suits a golfer, and why."""
    stretch, softest = advice.as_good, advice.pasts_m[0]
    firm = min(advice.pasts_m[-1], PACE_MARKS_M["two_feet"])
    holed, three = advice.holed, advice.three_putts
    if stretch.least <= softest + INCH_M:
        what = f"Let it die, at most {advised(stretch.most, wording)} past."
        rarely = f"you hole {of_hundred(advice.at(holed, advice.best_m))}"
        soft, hard = (of_hundred(advice.at(three, past)) for past in (softest, firm))
        return PaceCall(
            what, f"Near matters more: {rarely}; three-putts {soft} dying, {hard} {wording.past(firm)} past."
        )
    what = f"Roll it {stretch_words(stretch, wording)}."
    best, soft = (of_hundred(advice.at(holed, past)) for past in (advice.best_m, softest))
    far = advice.at(three, firm) - advice.at(three, advice.best_m)
    why = f"It holds its line: you hole {best}, dying {soft}"
    if far >= 0.005 and firm > stretch.most:
        worse = of_hundred(advice.at(three, firm))
        return PaceCall(what, f"{why}; {wording.past(firm)} past three-putts {worse}.")
    return PaceCall(what, f"{why}.")


def outlook_words(outlook: Outlook, wording: Wording) -> tuple[str, ...]:
    """Return how often and how firm, as sentences: the advice, and what the pace chosen is worth."""
    advice = " ".join(pace_call(outlook.advice, wording)) if outlook.advice else no_advice_words()
    return advice, chosen_words(outlook, wording)


def chosen_words(outlook: Outlook, wording: Wording) -> str:
    """Return what the pace chosen is worth: share holed, three-putts, and what it costs against the best."""
    chances, past_m = outlook.chances, outlook.aim.past_m
    said = f"holes {of_hundred(chances.holed)}, three-putts {of_hundred(chances.three_putts)}"
    pace = "At this pace" if past_m is None else f"{_capital(wording.past(past_m))} past"
    costs = _cost_words(outlook)
    return f"{pace} {said}: {putts_text(chances.putts)} putts{costs}."


def _cost_words(outlook: Outlook) -> str:
    advice, past_m = outlook.advice, outlook.aim.past_m
    if advice is None or past_m is None:
        return ""
    if advice.as_good.least <= past_m <= advice.as_good.most:
        return ", as good as the best"
    return f", {putts_text(outlook.chances.putts - advice.best_putts)} more than the best"


def curves_words(advice: PaceAdvice, wording: Wording) -> str:
    """Return the curves in words, for whoever does not see them."""
    best = f"Best {advised(advice.best_m, wording)} past: {putts_text(advice.best_putts)} putts"
    good = f"as good from {stretch_words(advice.as_good, wording)}"
    first, last = (advised(past, wording) for past in (advice.pasts_m[0], advice.pasts_m[-1]))
    holed = f"{of_hundred(advice.holed[0])} at {first} past, {of_hundred(advice.holed[-1])} at {last}"
    return f"{best}, {good}. Holed: {holed}."


def no_advice_words() -> str:
    """Return why there is no roll-past to choose."""
    return (
        "No ball rests past this hole, so there is no roll-past to choose: only the softest that reaches it."
    )


def _capital(words: str) -> str:
    return words[:1].upper() + words[1:]
