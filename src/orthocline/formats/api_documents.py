"""What programs send and are answered over HTTP, beside the documents of putts and reads."""

from typing import Annotated, Final
from uuid import UUID

from pydantic import AwareDatetime, BaseModel, ConfigDict, Field

from orthocline.core.log import FARTHEST_FINISH_M, LEAST_PUTT_M, LONGEST_PUTT_M
from orthocline.formats.chart_document import ChartPart
from orthocline.formats.part import Part
from orthocline.formats.putt_line import PuttLine, Side

MARK: Final = r"^\d{1,19}-\d{1,18}$"
"""Where a page of putts ends."""
Finish = Annotated[float, Field(ge=-FARTHEST_FINISH_M, le=FARTHEST_FINISH_M)]


class Fault(BaseModel):
    """What is wrong, and where: a JSON Pointer, empty for the whole of it."""

    member: str
    message: str


class ErrorDocument(BaseModel):
    """Why something is not answered."""

    error: Fault


class ListedGreen(BaseModel):
    """A green in the list."""

    id: int
    course: str
    green: str
    of: Annotated[str | None, Field(description="the club that keeps it")]


class GreensDocument(BaseModel):
    """The greens at hand."""

    greens: list[ListedGreen]


class GreenDocument(ListedGreen):
    """A green with its chart."""

    character: str
    chart: ChartPart


class PuttsQuery(BaseModel):
    """Which page of the log."""

    model_config = ConfigDict(extra="forbid")

    before: Annotated[str | None, Field(pattern=MARK, description="`older` of the page before")] = None


class PuttsDocument(BaseModel):
    """A page of the log, newest first."""

    putts: list[PuttLine]
    older: Annotated[str | None, Field(description="where the next page begins; null on the last one")]


class NewPutt(Part):
    """A putt to be noted. Lengths in metres; the finish beyond the hole and to its right."""

    model_config = ConfigDict(title="New putt")

    id: Annotated[UUID | None, Field(description="the same again is the same putt")] = None
    at: Annotated[AwareDatetime | None, Field(description="when it was played; now where it is left out")] = (
        None
    )
    course: Annotated[str, Field(max_length=80)] = ""
    green: Annotated[str, Field(max_length=80)] = ""
    length_m: Annotated[float, Field(ge=LEAST_PUTT_M, le=LONGEST_PUTT_M)]
    breaks: Annotated[Side | None, Field(description="the way it breaks; on: straight")] = None
    holed: bool | None = None
    finish_along_m: Finish | None = None
    finish_right_m: Finish | None = None
    note: Annotated[str, Field(max_length=500)] = ""


class NotedPutt(BaseModel):
    """The putt that was noted."""

    id: UUID
