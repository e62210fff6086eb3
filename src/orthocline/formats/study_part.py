"""A whole-green study as open data: its places, and how a hole at each plays at each green speed."""

import math
from typing import Annotated, Any, Self

import numpy as np
from numpy.typing import NDArray
from pydantic import Field, model_validator

from orthocline.core.relief import Outline
from orthocline.core.study import Holes, Played
from orthocline.formats.part import Coordinate, Part

MOST_PLACES = 40_000
Share = Annotated[float, Field(ge=0.0, le=1.0)]
Place = Annotated[list[Coordinate], Field(min_length=2, max_length=2)]
PlayedRow = tuple[Share, Share, Share, Share | None]


class StudyPart(Part):
    """Of each place what share of directions holds a ball, is holed from 3 ft, from 6 ft, three-putted."""

    places_m: Annotated[list[Place], Field(min_length=1, max_length=MOST_PLACES)]
    played: Annotated[
        list[Annotated[list[Annotated[PlayedRow, Field(strict=False)]], Field(max_length=MOST_PLACES)]],
        Field(min_length=1, max_length=2, description="for each green speed a row for each place"),
    ]
    rolls: Annotated[int, Field(ge=0, description="balls that were rolled for it")]

    @model_validator(mode="after")
    def _complete(self) -> Self:
        if any(len(rows) != len(self.places_m) for rows in self.played):
            raise ValueError("not every place is played at every speed")
        return self

    def holes(self, outline: Outline, sure: NDArray[np.bool_]) -> Holes:
        """Return the study as the core has it, of a green with that edge, its ground sure at these places."""
        played = np.array(self.played, dtype=float)  # None becomes NaN
        return Holes(np.array(self.places_m), played, outline, sure)


def study_members(places: NDArray[np.float64], played: list[list[Played]]) -> dict[str, Any]:
    """Return a study as a document has it: its places, and for each speed how each place plays."""
    return {
        "places_m": places.tolist(),
        "played": [[played_row(one) for one in rows] for rows in played],
        "rolls": sum(one.rolls for rows in played for one in rows),
    }


def played_row(one: Played) -> list[float | None]:
    """Return how a place plays; None where no putt is so long."""
    return [None if math.isnan(figure) else figure for figure in one[:-1]]
