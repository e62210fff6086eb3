"""What is entered on a phone, with a signal or without, as open data: one document for each thing."""

from typing import Annotated, Literal
from uuid import UUID

from pydantic import AwareDatetime, Field, TypeAdapter, ValidationError

from orthocline.core.chart import FARTHEST_M
from orthocline.core.log import FARTHEST_FINISH_M, LEAST_PUTT_M, LONGEST_PUTT_M, MOST_HOLES, MOST_PUTTS
from orthocline.core.roll import RANGES
from orthocline.formats.chart_document import CHARTED
from orthocline.formats.part import Part

NAME_LENGTH, NOTE_LENGTH, MARK_LENGTH = 80, 500, 40
LARGEST_NUMBER = 2**53
LARGEST_BYTES = 8192
"""No document is longer."""
Coordinate = Annotated[float, Field(ge=-FARTHEST_M, le=FARTHEST_M)]
Spot = Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
Offset = Annotated[float, Field(ge=-FARTHEST_FINISH_M, le=FARTHEST_FINISH_M)]
Number = Annotated[int, Field(ge=1, le=LARGEST_NUMBER)]
Name = Annotated[str, Field(max_length=NAME_LENGTH)]
Speed = Annotated[float, Field(ge=RANGES.green_speed_ft[0], le=RANGES.green_speed_ft[1])]
Past = Annotated[float, Field(ge=RANGES.past_m[0], le=RANGES.past_m[1])]
Slope = Annotated[float, Field(ge=-RANGES.tilt[1], le=RANGES.tilt[1])]


class UnreadableError(ValueError):
    """What came from a phone is none of these documents; the message says where."""


class PinRead(Part):
    """A read of a pin that was taken along: its green as it was charted then, ball and hole on it [m]."""

    by: Literal["pin"]
    green: Number
    mark: Annotated[str, Field(max_length=MARK_LENGTH)]
    ball_m: Spot
    hole_m: Spot
    green_speed_ft: Speed
    past_m: Past
    aim_right_m: Annotated[float, Field(ge=-20.0, le=20.0)]


class PlaneRead(Part):
    """A read by length, side tilt and rise [ratio]."""

    by: Literal["plane"]
    side: Slope
    rise: Slope
    green_speed_ft: Speed
    past_m: Past
    aim_right_m: Annotated[float, Field(ge=-20.0, le=20.0)]


class _Sent(Part):
    """What all have in common: a key made on the phone, when it was entered by its clock, and by whom.

    `decided` is what was decided of it, where what it was entered for had changed.
    """

    id: UUID
    at: AwareDatetime
    golfer: Number
    decided: Annotated[list[Annotated[str, Field(max_length=12)]], Field(max_length=4)] = Field(
        default_factory=list
    )


class SentPutt(_Sent):
    """A putt: how it ended, which one it is, and by what it was read; lengths in metres."""

    kind: Literal["putt"]
    length_m: Annotated[float, Field(ge=LEAST_PUTT_M, le=LONGEST_PUTT_M)] | None = None
    course: Name = ""
    green: Name = ""
    outing: UUID | None = None
    hole: Annotated[int, Field(ge=1, le=MOST_HOLES)] | None = None
    number: Annotated[int, Field(ge=1, le=MOST_PUTTS)] = 1
    visit: UUID | None = None
    holed: bool | None = None
    finish_m: Annotated[list[Offset], Field(min_length=2, max_length=2)] | None = None
    note: Annotated[str, Field(max_length=NOTE_LENGTH)] = ""
    read: Annotated[PinRead | PlaneRead, Field(discriminator="by")] | None = None


class SentRound(_Sent):
    """A round or practice that begins; its key is what its putts name."""

    kind: Literal["round"]
    outing: Literal["round", "practice"] = "round"
    course: Name = ""
    competition: bool = False


class SentEnd(_Sent):
    """A round or practice that ends."""

    kind: Literal["end"]
    outing: UUID


class SentSlope(_Sent):
    """A slope [ratio] that was read at a place of a green [m], falling toward a way from +x [rad]."""

    kind: Literal["slope"]
    green: Number
    mark: Annotated[str, Field(max_length=MARK_LENGTH)]
    at_m: Spot
    toward_rad: Annotated[float, Field(ge=-10.0, le=10.0)]
    slope: Annotated[float, Field(ge=0.0, le=RANGES.tilt[1])]
    by: Annotated[str, Field(pattern="|".join(f"^{name}$" for name in CHARTED))]


class SentSpeed(_Sent):
    """The green speed [ft] that a course posts."""

    kind: Literal["speed"]
    course: Annotated[str, Field(min_length=1, max_length=NAME_LENGTH)]
    green_speed_ft: Speed


Sent = SentPutt | SentRound | SentEnd | SentSlope | SentSpeed
_SENT: TypeAdapter[Sent] = TypeAdapter(Annotated[Sent, Field(discriminator="kind")])


def sent_of(text: bytes) -> Sent:
    """Return what a document says.

    Raises
    ------
    UnreadableError
        For one that is none of them.
    """
    if len(text) > LARGEST_BYTES:
        raise UnreadableError(f"It is longer than {LARGEST_BYTES} bytes.")
    try:
        return _SENT.validate_json(text)
    except ValidationError as error:
        first = error.errors(include_url=False)[0]
        where = ".".join(map(str, first["loc"]))
        raise UnreadableError(f"{where or 'The document'}: {first['msg']}.") from error
