"""What a ramp's rolls say, in words: the speed, why, and what to mind."""

from collections.abc import Iterator

from orthocline.core.speed import HiddenGreen, OneWay, Ramp, RampSpeed, across_share
from orthocline.core.units import PERCENT
from orthocline.wording.figures import speed_text, tidy
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.speed.method_words import MethodWords
from orthocline.wording.wording import Wording

ACROSS = 0.01
"""Slope [ratio] across the line for which it is said what it does."""
LEVEL_SLOPE = 0.0005
"""Slopes below a twentieth of a percent are said as level."""


WORDS = MethodWords("ramp", "Ramp", "ramp", source="by ramp,")


def ramp_details(ramp_speed: RampSpeed, ramp: Ramp, wording: Wording, instrument: str) -> list[str]:
    """Return the sentences that explain a speed; `instrument` is what read the slope beside the rolls."""
    said = [
        f"{name} {_way(way, wording)}"
        for name, way in (("Out", ramp_speed.out), ("back", ramp_speed.back))
        if way
    ]
    sentences = [f"{', '.join(said).capitalize()}{_corrected(ramp)}."]
    if ramp_speed.slope is not None:
        sentences.append(_slope(ramp_speed, wording))
    if ramp_speed.grain is not None:
        sentences.append(_grain(ramp_speed, instrument))
    longer = 100.0 * across_share(ramp_speed.speed_ft.value, ACROSS)
    slope = wording.slope(ACROSS)
    sentences.append(
        f"A fall of {slope} across the line, or grain as strong, makes rolls {tidy(longer)} % long."
    )
    return sentences


def ramp_notes(ramp_speed: RampSpeed, wording: Wording, *, paced: bool) -> Iterator[str]:
    """Return what the golfer must mind: one direction only, rolls that stand out, paces."""
    for name, way in (("out", ramp_speed.out), ("back", ramp_speed.back)):
        for roll, stands_out in zip(way.rolls_m, way.stands_out, strict=True) if way else ():
            if stands_out:
                yield (
                    f"A roll {name} of {wording.taped(roll)} stands out from the others. It counts until you"
                    " leave it out: was it knocked, or did it meet a mark?"
                )
    if ramp_speed.flat_range_ft is not None:
        falls, rises = (speed_text(speed) for speed in ramp_speed.flat_range_ft)
        yield (
            f"One way only. If the ground falls {wording.slope(PERCENT)} that way the speed is {falls}, if it"
            f" rises as much {rises}. Roll back along the same line, or lay a level beside it."
        )
    elif ramp_speed.out is None or ramp_speed.back is None:
        yield "One way only, with the level's slope taken out. Rolling back as well is surer."
    if paced:
        own = "your" if wording.calibration.own_pace else "the usual"
        pace = wording.far(wording.calibration.pace_m)
        yield f"Rolls in paces or shoes are less sure than a tape; {own} pace is {pace}."


def _way(way: OneWay, wording: Wording) -> str:
    spread = f", spread {wording.short(way.spread_m)}" if len(way.rolls_m) > 1 else ""
    balls = f"{len(way.rolls_m)} {'ball' if len(way.rolls_m) == 1 else 'balls'}"
    return f"{wording.taped(way.mean_m)} ({balls}{spread})"


def _corrected(ramp: Ramp) -> str:
    by = ramp.correction
    return f", as the standard ramp would roll them (×{by:.2f})" if abs(by - 1.0) > 0.005 else ""


def _slope(ramp_speed: RampSpeed, wording: Wording) -> str:
    slope = ramp_speed.slope
    assert slope is not None
    sure = f"within {wording.slope(max(slope.within, LEVEL_SLOPE))}"
    if abs(slope.value) < LEVEL_SLOPE:
        return f"The ground is level along the line, {sure}."
    way = "rises" if slope.value > 0.0 else "falls"
    how = f"{way} {wording.slope(abs(slope.value))} the way out, {sure}"
    return f"The ground {how}: both ways together cancel it."


def _grain(ramp_speed: RampSpeed, instrument: str) -> str:
    grain = ramp_speed.grain
    assert grain is not None
    noun = INSTRUMENT_WORDS[instrument].noun
    sure = f"within {grain.within:.2f}"
    if abs(grain.value) <= grain.within:
        return f"The {noun} agrees with the rolls: no grain to be told ({abs(grain.value):.2f}, {sure})."
    way = "out" if grain.value > 0.0 else "back"
    strength = f"strength {abs(grain.value):.2f}, {sure}"
    return f"What the {noun} does not see is grain: it grows the way {way}, {strength}."


def set_up_words(ramp: Ramp, wording: Wording) -> str:
    """Return how to set a ramp up, and what each of its rolls counts."""
    by = ramp.correction
    rolls = "its rolls are the standard ramp's" if abs(by - 1.0) < 0.005 else f"each roll counts ×{by:.2f}"
    return f"Lift the upper end {wording.short(ramp.lift_m)}; {rolls}."


def hidden_words(green: HiddenGreen, ramp_speed: RampSpeed | None, wording: Wording) -> str:
    """Return what a simulated green really is, and how near the rolls came."""
    way = "up" if green.slope >= 0.0 else "down"
    grows = "out" if green.grain >= 0.0 else "back"
    slope = f"{wording.slope(abs(green.slope))} {way} the way out"
    grain = f"grain {abs(green.grain):.2f} growing the way {grows}"
    said = f"Hidden were speed {speed_text(green.speed_ft)}, {slope} and {grain}."
    if ramp_speed is None:
        return said
    off = ramp_speed.speed_ft.value - green.speed_ft
    held = "within" if abs(off) <= ramp_speed.speed_ft.within else "outside"
    return f"{said} Your speed is {tidy(abs(off), 2)} ft off: {held} what it said of itself."
