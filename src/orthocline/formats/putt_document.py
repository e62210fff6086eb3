"""The putt document, version 1: the open JSON format in which a putt goes in."""

import json
import math
from collections.abc import Iterable, Mapping
from typing import Annotated, Any, NamedTuple

from pydantic import ConfigDict, Field, ValidationError
from pydantic.json_schema import SkipJsonSchema

from orthocline.core.account import Golfer
from orthocline.core.roll import (
    NO_GRAIN,
    RANGES,
    STILL_AIR,
    Grain,
    Point,
    Putt,
    PuttError,
    RollPast,
    SpeedAtHole,
    Wind,
)
from orthocline.core.sure import CERTAIN, Uncertainty
from orthocline.core.units import PERCENT, wrap_rad
from orthocline.formats.golfer_part import AnyGolfer, GolferPart
from orthocline.formats.part import WHOLE, Coordinate, Part
from orthocline.formats.scan_part import ScanPart
from orthocline.formats.surface_parts import Angle, AnySurface, surface_document, within

SCHEMA_ID = "putt-document-1.schema.json"
LARGEST_LINE = 1024 * 1024
"""A document that is one line of many."""
LARGEST_BYTES = 64 * 1024 * 1024
"""A putt on a plane is a few hundred bytes, a grid of four million cells some forty megabytes."""


MOST_WITHIN = {"length_percent": 50.0, "side_percent": 25.0, "grade_percent": 25.0, "green_speed_ft": 5.0}
"""Within how much figures are sure at the least."""


class DocumentError(ValueError):
    """A document that cannot be read.

    Attributes
    ----------
    member : str
        JSON Pointer of the member at fault; empty for the whole document.
    formed : bool
        Whether it has the form of a document, and asks what cannot be.
    """

    def __init__(self, member: str, message: str, *, formed: bool = False) -> None:
        super().__init__(message)
        self.member, self.formed = member, formed

    @property
    def line(self) -> str:
        """The error as one line that names the member."""
        return f"{self.member or 'the document'}: {self}"


class PastPart(Part):
    """Pace as the path length past a covered hole."""

    past_m: Annotated[float, within(RANGES.past_m)]


class SpeedPart(Part):
    """Pace as the rolling speed at the hole's centre."""

    speed_at_hole_mps: Annotated[float, within(RANGES.speed_at_hole_mps)]


class GrainPart(Part):
    """Which way the grass grows, and how strongly it tells."""

    strength: Annotated[float, within(RANGES.grain)]
    toward_deg: Angle
    since: Annotated[float, within(RANGES.grain_since)] = 0.0


class WindPart(Part):
    """Mean wind at ten metres, and the way it blows."""

    speed_mps: Annotated[float, within(RANGES.wind_mps)]
    toward_deg: Angle


class WithinPart(Part):
    """Within how much the figures are sure (95 %); side and grade as across and along the ball-hole line."""

    length_percent: Annotated[float, within((0.0, MOST_WITHIN["length_percent"]))] = 0.0
    side_percent: Annotated[float, within((0.0, MOST_WITHIN["side_percent"]))] = 0.0
    grade_percent: Annotated[float, within((0.0, MOST_WITHIN["grade_percent"]))] = 0.0
    green_speed_ft: Annotated[float, within((0.0, MOST_WITHIN["green_speed_ft"]))] = 0.0

    @property
    def uncertainty(self) -> Uncertainty:
        """The standard deviations: half of each."""
        half = 0.5 * PERCENT
        return Uncertainty(
            half * self.length_percent,
            half * self.side_percent,
            half * self.grade_percent,
            0.5 * self.green_speed_ft,
        )


class PuttDocument(Part):
    """One putt as it is asked. Lengths in metres on a map with x east and y north."""

    model_config = ConfigDict(title="Putt document, version 1")

    version: Annotated[int, Field(ge=1, le=1), WHOLE] = 1
    surface: AnySurface
    ball_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    hole_m: Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
    green_speed_ft: Annotated[float, within(RANGES.green_speed_ft)]
    pace: PastPart | SpeedPart
    grain: GrainPart | SkipJsonSchema[None] = None
    wind: WindPart | SkipJsonSchema[None] = None
    within: WithinPart | SkipJsonSchema[None] = None
    golfer: AnyGolfer | SkipJsonSchema[None] = None
    line: Annotated[int, Field(ge=RANGES.line[0], le=RANGES.line[1]), WHOLE] = 1


BRANCHES = ("constrained-float", "float", "none", "function-plain[_golfer()]")
PARTS = {
    part.__name__ for part in (PastPart, SpeedPart, GrainPart, WindPart, WithinPart, GolferPart, ScanPart)
}
"""Names that pydantic puts into the place of a fault where a member may be of several kinds."""


def schema() -> dict[str, Any]:
    """Return the JSON Schema of the putt document."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "$id": SCHEMA_ID,
        **PuttDocument.model_json_schema(),
    }


class Question(NamedTuple):
    """A putt as a document asks for it, how uncertain its figures are said to be, and who putts, if said."""

    putt: Putt
    uncertainty: Uncertainty
    golfer: Golfer | None = None


def parse_question(text: str | bytes, largest: int = LARGEST_BYTES) -> Question:
    """Return the putt of a document of so many bytes at most, and how uncertain it is.

    Raises
    ------
    DocumentError
        For text that is no JSON object, a missing, unknown, repeated or ill-typed member, or a figure
        outside its range.
    """
    if len(text) > largest:
        raise DocumentError("", f"longer than {largest // 1024} kB")
    return question_of(parse_json(text))


def putt_of(data: Any) -> Putt:
    """Return the putt of a parsed document; raises as `parse_question` does."""
    return question_of(data).putt


def question_of(data: Any) -> Question:
    """Return what a parsed document asks; raises as `parse_question` does."""
    if not isinstance(data, dict):
        raise DocumentError("", "a putt document is a JSON object")
    _require_one_pace(data)
    _require_no_nulls(data)
    try:
        document = PuttDocument.model_validate(data)
    except ValidationError as error:
        raise _first_fault(error) from error
    try:
        putt = _putt(document)
    except PuttError as error:
        raise DocumentError(error.member, str(error), formed=True) from error
    return Question(
        putt,
        document.within.uncertainty if document.within else CERTAIN,
        document.golfer,
    )


def document_of(putt: Putt, uncertainty: Uncertainty = CERTAIN) -> dict[str, Any]:
    """Return the document of a putt, as JSON data; what the document has no word for is left out."""
    pace = putt.pace
    document: dict[str, Any] = {
        "version": 1,
        "surface": surface_document(
            putt.surface, ((putt.ball.x_m, putt.ball.y_m), (putt.hole.x_m, putt.hole.y_m))
        ),
        "ball_m": [putt.ball.x_m, putt.ball.y_m],
        "hole_m": [putt.hole.x_m, putt.hole.y_m],
        "green_speed_ft": putt.green_speed_ft,
        "pace": {"past_m": pace.past_m}
        if isinstance(pace, RollPast)
        else {"speed_at_hole_mps": pace.speed_mps},
    }
    for name, size, thing in (
        ("grain", "strength", putt.grain if putt.grain != NO_GRAIN else None),
        ("wind", "speed_mps", putt.wind if putt.wind != STILL_AIR else None),
    ):
        if thing is not None:
            toward = math.degrees(thing.toward_rad)
            document[name] = {size: getattr(thing, size), "toward_deg": toward}
    if putt.grain.since:
        document["grain"]["since"] = putt.grain.since
    within = _within_members(uncertainty)
    if within:
        document["within"] = within
    if putt.line > 1:
        document["line"] = putt.line
    return document


def _within_members(uncertainty: Uncertainty) -> dict[str, float]:
    twice = 2.0 / PERCENT
    members = {
        "length_percent": twice * uncertainty.length,
        "side_percent": twice * uncertainty.side,
        "grade_percent": twice * uncertainty.grade,
        "green_speed_ft": 2.0 * uncertainty.green_speed_ft,
    }
    # A speed that an address brings may be less sure than the document has a word for.
    return {name: min(figure, MOST_WITHIN[name]) for name, figure in members.items() if figure}


def _putt(document: PuttDocument) -> Putt:
    pace = document.pace
    return Putt(
        ball=Point(*document.ball_m),
        hole=Point(*document.hole_m),
        surface=document.surface.surface(document.ball_m, document.hole_m),
        green_speed_ft=document.green_speed_ft,
        pace=RollPast(pace.past_m) if isinstance(pace, PastPart) else SpeedAtHole(pace.speed_at_hole_mps),
        grain=_grain(document.grain) if document.grain else NO_GRAIN,
        wind=Wind(document.wind.speed_mps, _radians(document.wind.toward_deg))
        if document.wind
        else STILL_AIR,
        line=document.line,
    )


def _grain(part: GrainPart) -> Grain:
    return Grain(part.strength, _radians(part.toward_deg), part.since)


def _radians(angle_deg: float) -> float:
    return wrap_rad(math.radians(angle_deg))


def parse_json(text: str | bytes) -> Any:
    """Return what a text of JSON says; raises DocumentError for what is none, or says a member twice."""
    try:
        try:
            return json.loads(text, object_pairs_hook=_whole, parse_constant=_no_constant)
        except _RepeatedError:
            # Once more, slowly: where it stands.
            data = json.loads(text, object_pairs_hook=_object, parse_constant=_no_constant)
            _refuse_repeats(data)
            raise
    except DocumentError:
        raise
    except (ValueError, RecursionError) as error:
        raise DocumentError("", "not valid JSON") from error


class _RepeatedError(ValueError):
    """A member stands twice in one object."""


def _whole(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
    members = dict(pairs)
    if len(members) < len(pairs):
        raise _RepeatedError
    return members


class _Object(dict[str, Any]):
    """A JSON object that remembers a member that stood in it twice."""

    repeated: str | None = None


def _object(pairs: list[tuple[str, Any]]) -> _Object:
    members = _Object()
    for name, value in pairs:
        if name in members:
            members.repeated = name
        members[name] = value
    return members


def _refuse_repeats(data: Any, pointer: str = "") -> None:
    members = data.items() if isinstance(data, dict) else enumerate(data) if isinstance(data, list) else ()
    if isinstance(data, _Object) and data.repeated is not None:
        raise DocumentError(f"{pointer}/{_escape(data.repeated)}", "stands twice in one object")
    for name, value in members:
        _refuse_repeats(value, f"{pointer}/{_escape(str(name))}")


def _no_constant(name: str) -> float:
    raise DocumentError("", f"{name} is not a number of JSON")


def _require_no_nulls(data: Any) -> None:
    member = _null_in(data)
    if member is not None:
        raise DocumentError(member, "is null: leave it out where there is none")


def _null_in(data: Any) -> str | None:
    """Return where the first member that is null stands; None where there is none."""
    if isinstance(data, list):
        # Long lists are of figures, and those are no members.
        members: Iterable[tuple[Any, Any]] = enumerate(data) if data and isinstance(data[0], dict) else ()
    else:
        members = data.items()
    for name, value in members:
        if value is None and isinstance(data, dict):
            return f"/{_escape(str(name))}"
        found = _null_in(value) if isinstance(value, dict | list) else None
        if found is not None:
            return f"/{_escape(str(name))}{found}"
    return None


def _require_one_pace(data: dict[str, Any]) -> None:
    pace = data.get("pace")
    if not isinstance(pace, dict):
        return
    unknown = sorted(set(pace) - {"past_m", "speed_at_hole_mps"})
    if unknown:
        raise DocumentError("/pace/" + _escape(unknown[0]), "unknown member")
    if len(pace) != 1:
        raise DocumentError("/pace", "give either past_m or speed_at_hole_mps")


def _first_fault(error: ValidationError) -> DocumentError:
    found = error.errors(include_url=False, include_input=False)
    faults = [one for one in found if one["type"] != "none_required"] or found
    # Of a choice (the two kinds of pace) report the branch that was meant, not the missing other one.
    wanted = [f for f in faults if not ("pace" in f["loc"] and f["type"] in ("missing", "extra_forbidden"))]
    fault = (wanted or faults)[0]
    branches = (*PARTS, *BRANCHES)
    places = [str(p) for i, p in enumerate(fault["loc"]) if not (i >= 1 and str(p) in branches)]
    member = "".join("/" + _escape(place) for place in places)
    if fault["type"] in ("no_kind", "no_such_kind"):
        member += "/kind"
    words = _message(fault["type"], fault["msg"], fault.get("ctx", {}))
    return DocumentError(member, words, formed=all(one["type"] == "value_error" for one in faults))


def _message(kind: str, words: str, context: Mapping[str, Any]) -> str:
    said = {
        "missing": "is missing",
        "extra_forbidden": "unknown member",
        "greater_than_equal": "must be at least {ge:g}",
        "less_than_equal": "must be at most {le:g}",
    }.get(kind, words)
    said = said.format(**context) if said != words else said.removeprefix("Value error, ")
    return said[0].lower() + said[1:]


def _escape(name: str) -> str:
    shown = name[:80].replace("~", "~0").replace("/", "~1")
    return "".join(c if c.isprintable() else "?" for c in shown)
