"""One putt of a log as a line of a file: flat columns of CSV, or members of a JSON object."""

import re
from collections.abc import Iterator, Mapping
from datetime import datetime
from typing import Annotated, Any, Final, Literal

from pydantic import AwareDatetime, BaseModel, ConfigDict, Field, ValidationError, model_validator

from orthocline.core.log import FARTHEST_FINISH_M, LEAST_PUTT_M, LONGEST_PUTT_M, MOST_HOLES, MOST_PUTTS
from orthocline.core.roll import Putt, RollPast
from orthocline.core.units import FOOT_M, INCH_M, YARD_M
from orthocline.formats.putt_document import DocumentError, question_of

LENGTH_UNITS: Final[Mapping[str, float]] = {"m": 1.0, "cm": 0.01, "ft": FOOT_M, "in": INCH_M, "yd": YARD_M}
"""A column of lengths may be in any of these: its name ends in the unit."""
NESTED: Final = ("finish", "seen", "after", "own")
"""Objects of a JSON line; as columns their members are written behind their name."""
LEVEL: Final = 0.0005
"""A putt across less tilt [ratio] is straight."""
Label = Annotated[str, Field(max_length=80)]
Place = Annotated[str, Field(max_length=80)]
Aside = Annotated[float, Field(ge=-FARTHEST_FINISH_M, le=FARTHEST_FINISH_M)]
Finished = Annotated[float, Field(ge=-FARTHEST_FINISH_M, le=FARTHEST_FINISH_M)]
Side = Literal["left", "on", "right"]


class LineError(ValueError):
    """A line that is not taken: which column is at fault, and what is allowed."""

    def __init__(self, column: str, message: str) -> None:
        super().__init__(f"{column}: {message}" if column else message)
        self.column, self.message = column, message


class PuttLine(BaseModel):
    """One putt; what is not known is left out. Lengths in metres, sides as the golfer looks at the hole."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False, str_strip_whitespace=True)

    id: Label = Field("", description="What names this putt: a line of the same name is the same putt")
    at: AwareDatetime = Field(description="When it was played, with its time zone")
    outing: Label = Field("", description="What names its round or practice, the same on all its lines")
    kind: Literal["", "round", "practice"] = Field("", description="Which of the two it is")
    outing_begun: AwareDatetime | None = Field(None, description="When that began, if before its first putt")
    round_holes: Annotated[int, Field(ge=1, le=MOST_HOLES)] | None = Field(
        None, description="How many holes a card says of the round, those without a putt too"
    )
    course: Place = Field("", description="The course")
    green: Place = Field("", description="The green")
    hole: Annotated[int, Field(ge=1, le=MOST_HOLES)] | None = Field(None, description="The hole of the round")
    number: Annotated[int, Field(ge=1, le=MOST_PUTTS)] = Field(1, description="Which putt on this green")
    visit: Label = Field("", description="What names the visit to the green, the same for all its putts")
    length_m: Annotated[float, Field(ge=LEAST_PUTT_M, le=LONGEST_PUTT_M)] | None = Field(
        None, description="Ball to hole"
    )
    breaks: Literal["", "left", "straight", "right"] = Field("", description="The way it breaks")
    green_speed_ft: Annotated[float, Field(ge=3.0, le=20.0)] | None = Field(None, description="Green speed")
    past_m: Annotated[float, Field(ge=0.0, le=FARTHEST_FINISH_M)] | None = Field(
        None, description="How far past the hole it was meant to roll"
    )
    read_aim_right_m: Aside | None = Field(None, description="The aim of the model's read, at the hole")
    aim_right_m: Aside | None = Field(None, description="Where the golfer aimed")
    corrected_by: Annotated[float, Field(gt=0.0, le=10.0)] | None = Field(
        None, description="By which of that aim it was played, where a correction was on"
    )
    impression_right_m: Aside | None = Field(None, description="The aim of the first impression")
    method: Label = Field("", description="By what it was read")
    device: bool = Field(False, description="Whether a device rolled it")
    holed: bool | None = Field(None, description="Whether it dropped; left out where a finish is given")
    finish_along_m: Finished | None = Field(None, description="Where it stopped, beyond the hole")
    finish_right_m: Finished | None = Field(None, description="Where it stopped, to the hole's right")
    seen_start: Literal["", "left", "on", "right"] = Field("", description="How it was seen to start")
    seen_passed: Literal["", "left", "right"] = Field("", description="On which side it passed the hole")
    seen_gate: Literal["", "touched", "clear"] = Field("", description="Whether it touched a gate")
    seen_strike: Literal["", "middle", "off"] = Field("", description="What part of the face struck it")
    start_right_deg: Annotated[float, Field(ge=-90.0, le=90.0)] | None = Field(
        None, description="How far right of its line it started, as its finish implies"
    )
    after_read: bool | None = Field(None, description="Afterwards: was the read right")
    after_line: bool | None = Field(None, description="Afterwards: was the line right")
    after_pace: bool | None = Field(None, description="Afterwards: was the pace right")
    after_committed: bool | None = Field(None, description="Afterwards: was it rolled as it was read")
    own_school: Label = Field("", description="The school of the own read; JSON lines alone")
    own_figures: list[float] | None = Field(None, description="The figures of the own read; JSON lines alone")
    note: Annotated[str, Field(max_length=500)] = Field("", description="A note")
    putt: dict[str, Any] | None = Field(None, description="The putt document; JSON lines alone")

    @model_validator(mode="after")
    def _agrees(self) -> "PuttLine":
        if (self.finish_along_m is None) != (self.finish_right_m is None):
            missing = "finish_right_m" if self.finish_right_m is None else "finish_along_m"
            raise LineError(missing, "is missing: a finish has both figures")
        if self.holed and self.finish_along_m is not None:
            raise LineError("holed", "a ball that dropped has no finish")
        if (self.own_school == "") != (self.own_figures is None):
            raise LineError("own_school", "goes with its figures")
        return self

    @property
    def result(self) -> bool | None:
        """Whether it dropped; None where that is not known."""
        return False if self.finish_along_m is not None else self.holed


JSON_ALONE: Final = ("own_school", "own_figures", "putt")
COLUMNS: Final = tuple(name for name in PuttLine.model_fields if name not in JSON_ALONE)
"""The columns of CSV, in their order."""
MEMBERS: Final = tuple(PuttLine.model_fields)


def parse_line(told: Mapping[str, Any]) -> PuttLine:
    """Return the putt of a flat line: of strings, or of what JSON has.

    Raises
    ------
    LineError
        For an unknown column, a missing or ill-typed one, or a figure outside its range.
    """
    try:
        line = PuttLine.model_validate(
            {name: value for name, value in told.items() if value not in ("", None)}
        )
    except LineError:
        raise
    except ValidationError as error:
        raise _fault(error) from error
    if line.putt is None:
        return line
    try:
        asked = question_of(line.putt).putt
    except DocumentError as error:
        raise LineError(f"putt{error.member}", str(error)) from error
    return line.model_copy(update={name: figure for name, figure in _of(asked) if not getattr(line, name)})


def _of(asked: Putt) -> Iterator[tuple[str, float | str]]:
    """Yield what a putt as it was asked says of its line."""
    yield "length_m", asked.length_m
    yield "green_speed_ft", asked.green_speed_ft
    if isinstance(asked.pace, RollPast):
        yield "past_m", asked.pace.past_m
    tilt = asked.side_tilt_right
    yield "breaks", "straight" if abs(tilt) < LEVEL else "right" if tilt > 0.0 else "left"


def _fault(error: ValidationError) -> LineError:
    fault = error.errors(include_url=False, include_input=False)[0]
    cause = fault.get("ctx", {}).get("error")
    if isinstance(cause, LineError):
        return cause
    column = str(fault["loc"][0]) if fault["loc"] else ""
    said = {
        "missing": "is missing",
        "extra_forbidden": "no column of that name is known",
        "greater_than": "must be more than {gt:g}",
        "greater_than_equal": "must be at least {ge:g}",
        "less_than_equal": "must be at most {le:g}",
        "timezone_aware": "has no time zone: write 2026-06-01T09:12Z, or +02:00 at its end",
        "string_too_long": "must be at most {max_length} characters",
        "literal_error": "must be {expected}",
    }.get(str(fault["type"]), "")
    words = said.format(**fault.get("ctx", {})) if said else _plain(str(fault["msg"]))
    return LineError(column, words.replace("'', ", ""))


def _plain(message: str) -> str:
    message = re.sub(r"^Input should be ", "must be ", message.removeprefix("Value error, "))
    return message[:1].lower() + message[1:]


class Columns:
    """What the columns of a CSV file mean: each a member, in a unit.

    Raises LineError for a column that is not known, stands twice, or is in no unit that is known.
    """

    def __init__(self, heads: list[str]) -> None:
        self.known = [self._member(head.strip()) for head in heads]
        seen: set[str] = set()
        for name, _ in self.known:
            if name in seen:
                raise LineError(name, "stands twice, perhaps in two units")
            seen.add(name)
        if "at" not in seen:
            raise LineError("at", "is missing: each putt has a time")

    def _member(self, head: str) -> tuple[str, float]:
        """Return the member that a column is of, and what one of its unit is in the member's."""
        if head in COLUMNS:
            return head, 1.0
        stem, _, unit = head.rpartition("_")
        if f"{stem}_m" in COLUMNS:
            if unit not in LENGTH_UNITS:
                known = ", ".join(f"_{name}" for name in LENGTH_UNITS)
                raise LineError(head, f"its unit is not known: lengths end in {known}")
            return f"{stem}_m", LENGTH_UNITS[unit]
        raise LineError(head, "no column of that name is known")

    def line(self, cells: list[str], *, commas: bool) -> dict[str, Any]:
        """Return a row as a flat line; decimal commas are read where fields are not parted by them."""
        if len(cells) > len(self.known):
            raise LineError("", f"has {len(cells)} fields, where the head has {len(self.known)}")
        told: dict[str, Any] = {}
        for (name, factor), cell in zip(self.known, cells, strict=False):
            text = cell.strip()
            if name.endswith(("_m", "_ft", "_deg")) and text:
                told[name] = self._figure(name, text, commas=commas) * factor
            else:
                told[name] = text
        return told

    def _figure(self, name: str, text: str, *, commas: bool) -> float:
        try:
            return float(text.replace(",", ".") if commas else text)
        except ValueError as error:
            raise LineError(name, f"“{text[:40]}” is no figure") from error


def flattened(data: Any) -> dict[str, Any]:
    """Return a JSON line as a flat one; raises LineError for what is no object, or stands twice."""
    if not isinstance(data, dict):
        raise LineError("", "a line is a JSON object")
    told: dict[str, Any] = {}
    for name, value in data.items():
        inner = _inner(name, value) if name in NESTED else {name: value}
        for one, figure in inner.items():
            if one in told:
                raise LineError(one, "stands twice")
            told[one] = figure
    return told


def _inner(name: str, value: Any) -> dict[str, Any]:
    if not isinstance(value, dict):
        raise LineError(name, "must be an object")
    return {f"{name}_{inner}": one for inner, one in value.items()}


def nested(told: Mapping[str, Any]) -> dict[str, Any]:
    """Return a flat line as JSON lines have it, without what is not known."""
    line: dict[str, Any] = {}
    for name, value in told.items():
        if value in (None, "", False) and name not in ("holed", *(f"after_{one}" for one in AFTER)):
            continue
        if value is None:
            continue
        outer, _, inner = name.partition("_")
        if outer in NESTED:
            line.setdefault(outer, {})[inner] = value
        else:
            line[name] = value
    return line


AFTER: Final = ("read", "line", "pace", "committed")


def described() -> Iterator[tuple[str, str]]:
    """Yield all members with what they are, for those who write such files."""
    for name, field in PuttLine.model_fields.items():
        yield name, field.description or ""


def iso(then: datetime) -> str:
    """Return a time as files have it."""
    return then.isoformat(timespec="microseconds" if then.microsecond else "seconds")
