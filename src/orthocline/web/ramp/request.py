"""What the ramp page asks for: the ramp, its rolls, a level's reading, and a simulated green."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from werkzeug.datastructures import MultiDict

from orthocline.core.speed import Groove, Ramp, Rods, Trueness, trueness_of
from orthocline.formats.sheet import Noted, Sheet
from orthocline.services.speed.measuring import SimulatedRamp, hidden_green
from orthocline.web.ramp.forms import BACK, BACK_ASIDE, OUT, OUT_ASIDE, RampForm
from orthocline.web.shared.sheets import errors_of, noted, sheet_in
from orthocline.wording.quantities import is_paced, parse_slope
from orthocline.wording.wording import Wording

START = {"length": "30 in", "angle": "20 deg", "rails": "rods", "gap": "20 mm", "groove": "145 deg"}
METRIC_START = START | {"length": "76.2 cm"}
ROLLS = (OUT.name, BACK.name)
ASIDE = {OUT.name: OUT_ASIDE.name, BACK.name: BACK_ASIDE.name}
EACH_WAY = 3
EMPTIED = (*ROLLS, *ASIDE.values(), "level")
"""What is not there yet on another green."""


@dataclass(frozen=True)
class RampRequest:
    """A ramp, its rolls and what was read beside them; its edits return another.

    Attributes
    ----------
    sheet : Sheet
        Every figure and choice.
    errors : dict
        What is wrong, by field.
    wording : Wording
        How the golfer who asks says figures.
    """

    sheet: Sheet
    errors: dict[str, str]
    wording: Wording

    @cached_property
    def ramp(self) -> Ramp | None:
        """The ramp; None while something other than a roll cannot be read."""
        if set(self.errors) - {*ROLLS, *ASIDE.values()}:
            return None
        length, angle = self._once("length"), math.radians(self._once("angle"))
        if self.sheet.choices["rails"] == "rods":
            return Ramp(length, angle, Rods(self._once("gap")))
        return Ramp(length, angle, Groove(math.radians(self._once("groove"))))

    @property
    def rolls(self) -> dict[str, tuple[Noted, ...]]:
        """The rolls of both directions, as typed."""
        return {name: self.sheet.noted(name) for name in ROLLS}

    @property
    def lengths(self) -> tuple[list[float], list[float]]:
        """The rolls that count [m], out and back."""
        return self.sheet.counted(OUT.name), self.sheet.counted(BACK.name)

    @property
    def has_rolls(self) -> bool:
        """Whether there is any roll."""
        return any(self.rolls.values())

    @property
    def paced(self) -> bool:
        """Whether a roll that counts was paced or measured in shoes."""
        return any(one.counts and is_paced(one.typed) for rolls in self.rolls.values() for one in rolls)

    @property
    def trueness(self) -> Trueness | None:
        """How true the green is, as far as it was noted where rolls ended aside."""
        return trueness_of([self._angles(name) for name in ROLLS])

    @property
    def level_out(self) -> float | None:
        """The level's reading [ratio], positive where the way out is up."""
        read = self.sheet.once("level")
        return read if read is None or self.sheet.choices["level_way"] == "up" else -read

    @property
    def revealed(self) -> bool:
        """Whether it is asked what the simulated green really is."""
        return bool(self.sheet.choices["reveal"])

    @property
    def simulated(self) -> SimulatedRamp | None:
        """The simulated ramp on its hidden green, if one is in use."""
        seed = self.sheet.once("seed")
        if seed is None or self.ramp is None:
            return None
        green, known = hidden_green(int(seed)), self.sheet.once
        chosen = {"speed_ft": known("sim_speed"), "slope": known("sim_slope"), "grain": known("sim_grain")}
        told = {name: figure for name, figure in chosen.items() if figure is not None}
        return SimulatedRamp(int(seed), self.ramp, replace(green, **told))

    def on_another_green(self, seed: int) -> "RampRequest":
        """Return it on another hidden green, where nothing was rolled yet."""
        sheet, gone = self.sheet.anew("seed", Noted(str(seed), seed)).choosing(reveal=""), EMPTIED
        for name in gone:
            sheet = sheet.anew(name)
        errors = {name: error for name, error in self.errors.items() if name not in (*gone, "seed")}
        return replace(self, sheet=sheet, errors=errors)

    def simulating(self, add: str) -> "RampRequest":
        """Return it with what the simulated ramp adds: ``out``, ``back``, ``six`` rolls, or ``level``."""
        simulated = self.simulated
        if simulated is None:
            return self
        if add == "level":
            return replace(self, sheet=self._levelled(simulated.level()))
        sheet = self.sheet
        for kind in (OUT, BACK):
            done, wished = len(sheet.noted(kind.name)), EACH_WAY if add == "six" else int(add == kind.name)
            lengths = [simulated.roll_m(back=kind is BACK, number=done + i) for i in range(wished)]
            texts = [self.wording.taped(length) for length in lengths]
            sheet = sheet.more(kind.name, *(noted(text, kind, self.wording) for text in texts))
        return replace(self, sheet=sheet)

    def _angles(self, name: str) -> list[float]:
        """Return by which angles [rad] the rolls of a direction that count ended aside."""
        pairs = zip(self.sheet.noted(name), self.sheet.noted(ASIDE[name]), strict=False)
        return [
            math.atan2(aside.figure, roll.figure)
            for roll, aside in pairs
            if roll.figure is not None and aside.figure is not None and not roll.left_out
        ]

    def _levelled(self, slope: float) -> Sheet:
        text = self.wording.typed_slope(abs(slope))
        read = Noted(text, parse_slope(text, 1.0, self.wording)[0])
        way = "up" if slope >= 0.0 else "down"
        return self.sheet.anew("level", read).choosing(level_way=way, level_with="level_averaged")

    def _once(self, name: str) -> float:
        return self.sheet.once(name) or 0.0


def ramp_request(
    arguments: MultiDict[str, str], wording: Wording, own_ramp: Mapping[str, str] | None = None
) -> RampRequest:
    """Return what a request asks for.

    A figure of the ramp that is not in it is that of the golfer's `own_ramp`, or else the usual one.
    """
    values = MultiDict(arguments)
    usual = METRIC_START if wording.units.metric else START
    for name, value in (usual | dict(own_ramp or {})).items():
        if name not in values:
            values[name] = value
    form = RampForm(values, meta={"wording": wording})
    form.validate()
    sheet = sheet_in(values, form, (OUT, BACK, OUT_ASIDE, BACK_ASIDE), {})
    return RampRequest(sheet, errors_of(form, sheet), wording)
