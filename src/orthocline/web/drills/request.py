"""A drill as it is asked for: with the golfer's own lengths, each kept as typed and checked."""

from collections.abc import Mapping
from dataclasses import dataclass

from orthocline.core.drills import LATEST_S, MOST_ASIDE_M, Drill, Measured, Own
from orthocline.services.errors import InvalidError
from orthocline.services.train.drills import drill_named
from orthocline.web.identity import viewer, wording
from orthocline.wording.quantities import QuantityError, parse_aside_m, parse_far_m, parse_late_s


@dataclass(frozen=True)
class OwnField:
    """One length of the golfer's own: its field, and what is wrong with what was typed."""

    own: Own
    typed: str
    error: str = ""


@dataclass(frozen=True)
class AskedDrill:
    """A drill with the golfer's own lengths; what cannot be read is as the file has it."""

    drill: Drill
    fields: tuple[OwnField, ...]
    own_m: Mapping[str, float]

    @property
    def readable(self) -> bool:
        """Whether all that was typed can be read."""
        return not any(one.error for one in self.fields)


def asked_drill(name: str, arguments: Mapping[str, str]) -> AskedDrill:
    """Return the drill of a name with the lengths that are asked for."""
    plain = drill_named(viewer(), name)
    fields, own_m = [], {}
    for own in plain.own:
        typed = arguments.get(own.name, "")
        length, error = _length(own, typed) if typed.strip() else (own.default_m, "")
        fields.append(OwnField(own, typed, error))
        own_m[own.name] = length
    return AskedDrill(drill_named(viewer(), name, own_m, wording().hand), tuple(fields), own_m)


def _length(own: Own, typed: str) -> tuple[float, str]:
    said = wording()
    try:
        length = parse_far_m(typed, said)
    except QuantityError as error:
        return own.default_m, f"{own.says} {error}."
    if not own.least_m <= length <= own.most_m:
        return own.default_m, f"{own.says} must be from {said.far(own.least_m)} to {said.far(own.most_m)}."
    return length, ""


def off_of(drill: Drill, typed: str) -> float | None:
    """Return how far off a ball of a drill that measures was, to the right [m] or late [s]; None for nothing.

    Raises
    ------
    InvalidError
        For what cannot be read, and for what is further off than anything measured.
    """
    if not typed.strip() or drill.measures is None:
        return None
    try:
        off = parse_aside_m(typed, wording()) if drill.measures is Measured.AIM else parse_late_s(typed)
    except QuantityError as error:
        raise InvalidError("off", f"How far off {error}.") from error
    most = MOST_ASIDE_M if drill.measures is Measured.AIM else LATEST_S
    if abs(off) > most:
        said = wording().far(most) if drill.measures is Measured.AIM else f"{most:g} s"
        raise InvalidError("off", f"How far off must be at most {said}.")
    return off
