"""What all parts of open documents share."""

from typing import Annotated, Any, Final

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field

from orthocline.core.ground import LEAST_NODES

Coordinate = Annotated[float, Field(ge=-1e5, le=1e5, description="metres")]
Height = Annotated[float, Field(ge=-1e4, le=1e4)]


def _whole(value: Any) -> Any:
    return int(value) if isinstance(value, float) and value.is_integer() else value


WHOLE: Final = BeforeValidator(_whole)
"""A whole number may be written as 1.0: to JSON that is one. It stands after what bounds the number."""


class Part(BaseModel):
    """A part of a document: unknown members and figures that are none are errors."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)


def even_rows(heights: list[list[float]], most: int) -> list[list[float]]:
    """Return the heights of a grid; raises ValueError for uneven rows, or too short or too many ones."""
    columns = {len(row) for row in heights}
    if len(columns) > 1:
        raise ValueError("the rows are not of one length")
    if min(columns) < LEAST_NODES:
        raise ValueError(f"a row must have at least {LEAST_NODES} heights")
    if len(heights) * min(columns) > most:
        raise ValueError(f"more than {most} cells")
    return heights
