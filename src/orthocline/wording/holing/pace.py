"""How firm, in words: what each roll-past is worth to one golfer on one putt."""

from collections.abc import Sequence
from typing import NamedTuple

from orthocline.core.estimate import Span
from orthocline.core.holing import DYING_M, PACE_MARKS_M, Outlook, PaceAdvice
from orthocline.core.units import INCH_M
from orthocline.wording.figures import both, capital, hundred
from orthocline.wording.wording import Wording

ROUNDED_M = 4.0 * INCH_M
"""Roll-pasts of advice are rounded to what a range so wide bears: an inch, or two centimetres."""
DIES_M = 4.0 * INCH_M
"""A putt that is best rolled no further past is one to let die."""
TOLD = 0.005
"""A share that is more by less is not told: it is none of a hundred."""
PACE_WORDS = {
    "dying": "dies in",
    "hand": "a hand",
    "foot": "a foot",
    "foot_and_half": "a foot and a half",
    "two_feet": "two feet",
}
"""The schools' paces."""
PACE_SHORT = {"dying": "dies", "hand": "hand", "foot": "1 ft", "foot_and_half": "1½ ft", "two_feet": "2 ft"}
"""The same where there is little room."""


class PaceCall(NamedTuple):
    """The advice in one sentence: what to do, then why."""

    what: str
    why: str


def of_hundred(share: float) -> str:
    """Return a share as a count: ``40 of 100``, ``fewer than 1 of 100``."""
    if 0.0 < share < 0.005:
        return "fewer than 1 of 100"
    return f"{hundred(share)} of 100"


def putts_text(putts: float) -> str:
    """Return putts on average: ``1.66``."""
    return f"{putts:.2f}"


def advised(past_m: float, wording: Wording) -> str:
    """Return a roll-past of advice: ``18 in``, ``46 cm``."""
    return wording.short(past_m, ROUNDED_M)


def advised_m(past_m: float, wording: Wording) -> float:
    """Return a roll-past of advice as it is said [m]."""
    return wording.borne(past_m, ROUNDED_M)


def stretch_words(stretch: Span, wording: Wording) -> str:
    """Return a stretch of roll-pasts: ``12 to 26 in past``, ``dying to 16 in past``."""
    if stretch.least <= DYING_M + 0.5 * INCH_M:
        return f"dying to {advised(stretch.most, wording)} past"
    return f"{both(advised(stretch.least, wording), advised(stretch.most, wording), 'to')} past"


def pace_call(advice: PaceAdvice, wording: Wording) -> PaceCall:
    """Return which roll-past suits a golfer, and why."""
    stretch, softest = advice.as_good, advice.pasts_m[0]
    if stretch.width >= advice.pasts_m[-1] - softest - INCH_M:
        holed, three = (_counted(advice, one, advice.best_m) for one in (advice.holed, advice.three_putts))
        return PaceCall(
            "Any pace is as good.", f"{capital(holed)} drop and {three} are three-putted whatever it is."
        )
    if stretch.least <= softest + INCH_M:
        most = advised(stretch.most, wording)
        dies = advice.best_m <= DIES_M
        what = f"Let it die, at most {most} past." if dies else f"Roll it softly: dying to {most} past."
        return PaceCall(what, _why_soft(advice, wording))
    return PaceCall(f"Roll it {stretch_words(stretch, wording)}.", _why_firm(advice, wording))


def _why_soft(advice: PaceAdvice, wording: Wording) -> str:
    firm = _firm_m(advice)
    soft, hard = (_counted(advice, advice.three_putts, past) for past in (advice.pasts_m[0], firm))
    rarely = f"{_counted(advice, advice.holed, advice.best_m)} drop"
    return f"Near matters more: {rarely}; three-putts {soft} dying, {hard} {wording.past(firm)} past."


def _why_firm(advice: PaceAdvice, wording: Wording) -> str:
    best, soft = (_counted(advice, advice.holed, past) for past in (advice.best_m, advice.pasts_m[0]))
    why = f"It holds its line: {best} drop, dying {soft}"
    firm, three = _firm_m(advice), advice.three_putts
    if firm > advice.as_good.most and advice.at(three, firm) - advice.at(three, advice.best_m) >= TOLD:
        return f"{why}; {wording.past(firm)} past three-putts {_counted(advice, three, firm)}."
    return f"{why}."


def _firm_m(advice: PaceAdvice) -> float:
    """Return a firm roll-past [m], or the firmest there is."""
    return min(advice.pasts_m[-1], PACE_MARKS_M["two_feet"])


def _counted(advice: PaceAdvice, figures: Sequence[float], past_m: float) -> str:
    return of_hundred(advice.at(figures, past_m))


def outlook_words(outlook: Outlook, wording: Wording) -> tuple[str, ...]:
    """Return how often and how firm, as sentences: the advice, and what the pace chosen is worth."""
    advice = " ".join(pace_call(outlook.advice, wording)) if outlook.advice else no_advice_words(outlook)
    return advice, chosen_words(outlook, wording)


def chosen_words(outlook: Outlook, wording: Wording) -> str:
    """Return what the pace chosen is worth: share holed, three-putts, and what it costs against the best."""
    chances, past_m = outlook.chances, outlook.aim.past_m
    said = f"holes {of_hundred(chances.holed)}, three-putts {of_hundred(chances.three_putts)}"
    pace = "This pace" if past_m is None else f"{capital(wording.past(past_m))} past"
    costs = _cost_words(outlook)
    return f"{pace} {said}: {putts_text(chances.putts)} putts{costs}."


def _cost_words(outlook: Outlook) -> str:
    advice, past_m = outlook.advice, outlook.aim.past_m
    if advice is None or past_m is None:
        return ""
    if advice.as_good.holds(past_m):
        return ", as good as the best"
    return f", {putts_text(advice.at(advice.putts, past_m) - advice.best_putts)} more than the best"


def curves_words(advice: PaceAdvice, wording: Wording) -> str:
    """Return the curves in words, for whoever does not see them."""
    best = f"Best {advised(advice.best_m, wording)} past: {putts_text(advice.best_putts)} putts"
    good = f"as good from {stretch_words(advice.as_good, wording)}"
    first, last = (advised(past, wording) for past in (advice.pasts_m[0], advice.pasts_m[-1]))
    holed = f"{of_hundred(advice.holed[0])} at {first} past, {of_hundred(advice.holed[-1])} at {last}"
    return f"{best}, {good}. Holed: {holed}."


def no_advice_words(outlook: Outlook) -> str:
    """Return why there is no roll-past to choose."""
    if outlook.aim.past_m is None:
        return "No ball rests past this hole, so there is no roll-past to choose: only the softest pace."
    return "Balls rest at hardly one place past this hole, so there is no roll-past to choose."
