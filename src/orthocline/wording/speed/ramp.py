"""What a ramp's rolls say, in words: the speed, why, and what to mind."""

from collections.abc import Iterator

from orthocline.core.speed import OneWay, Ramp, RampSpeed
from orthocline.core.units import PERCENT
from orthocline.wording.figures import Wording, speed_text

LEVEL_SLOPE = 0.0005
"""Slopes below a twentieth of a percent are said as level."""


def ramp_details(found: RampSpeed, ramp: Ramp, wording: Wording) -> list[str]:
    """Return the sentences that explain a speed."""
    said = [f"{name} {_way(way, wording)}" for name, way in (("Out", found.out), ("back", found.back)) if way]
    sentences = [f"{', '.join(said).capitalize()}{_corrected(ramp)}."]
    if found.slope is not None:
        sentences.append(_slope(found, wording))
    if found.grain is not None:
        sentences.append(_grain(found))
    return sentences


def ramp_notes(found: RampSpeed, wording: Wording, *, paced: bool) -> Iterator[str]:
    """Return what the golfer must mind: one direction only, rolls that stand out, paces."""
    for name, way in (("out", found.out), ("back", found.back)):
        for roll, stands_out in zip(way.rolls_m, way.stands_out, strict=True) if way else ():
            if stands_out:
                yield (
                    f"A roll {name} of {wording.taped(roll)} stands out from the others. It counts until you"
                    " leave it out: was it knocked, or did it meet a mark?"
                )
    if found.flat_range_ft is not None:
        falls, rises = (speed_text(speed) for speed in found.flat_range_ft)
        yield (
            f"One way only. If the ground falls {wording.slope(PERCENT)} that way the speed is {falls}, if it"
            f" rises as much {rises}. Roll back along the same line, or lay a level beside it."
        )
    elif found.out is None or found.back is None:
        yield "One way only, with the level's slope taken out. Rolling back as well is surer."
    if paced:
        own = "your" if wording.own_pace else "the usual"
        pace = wording.far(wording.pace_m)
        yield f"Rolls in paces or shoes are less sure than a tape; {own} pace is {pace}."


def _way(way: OneWay, wording: Wording) -> str:
    spread = f", spread {wording.short(way.spread_m)}" if len(way.rolls_m) > 1 else ""
    balls = f"{len(way.rolls_m)} {'ball' if len(way.rolls_m) == 1 else 'balls'}"
    return f"{wording.taped(way.mean_m)} ({balls}{spread})"


def _corrected(ramp: Ramp) -> str:
    by = ramp.correction
    return f", as the standard ramp would roll them (×{by:.2f})" if abs(by - 1.0) > 0.005 else ""


def _slope(found: RampSpeed, wording: Wording) -> str:
    slope = found.slope
    assert slope is not None
    sure = f"within {wording.slope(max(slope.within, LEVEL_SLOPE))}"
    if abs(slope.value) < LEVEL_SLOPE:
        return f"The ground is level along the line, {sure}."
    way = "rises" if slope.value > 0.0 else "falls"
    how = f"{way} {wording.slope(abs(slope.value))} the way out, {sure}"
    return f"The ground {how}: both ways together cancel it."


def _grain(found: RampSpeed) -> str:
    grain = found.grain
    assert grain is not None
    sure = f"within {grain.within:.2f}"
    if abs(grain.value) <= grain.within:
        return f"The level agrees with the rolls: no grain to be told ({abs(grain.value):.2f}, {sure})."
    way = "out" if grain.value > 0.0 else "back"
    strength = f"strength {abs(grain.value):.2f}, {sure}"
    return f"What the level does not see is grain: it grows the way {way}, {strength}."
