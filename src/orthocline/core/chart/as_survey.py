"""What was charted, as readings of a survey."""

import math
from collections.abc import Iterator, Mapping, Sequence

from orthocline.core.chart.chart import ChartReading
from orthocline.core.ground import Sense
from orthocline.core.instruments import FIRST_SD, FIRST_SLOPE, FLATTEST, INSTRUMENTS, Gives
from orthocline.core.survey import HeightReading, SlopeReading, SurveyReading, WayReading


def surveyed(readings: Sequence[ChartReading], own: Mapping[str, Sense]) -> tuple[SurveyReading, ...]:
    """Return the readings of a chart as a survey takes them.

    Parameters
    ----------
    readings : sequence of ChartReading
        Any.
    own : mapping
        How the golfer's own senses go with the level, by instrument.

    Returns
    -------
    tuple of SurveyReading
        An arrow says two slopes; what has no size yet says that the ground slopes as greens do.
    """
    return tuple(row for one in readings for row in _rows(one, own))


def _rows(one: ChartReading, own: Mapping[str, Sense]) -> Iterator[SurveyReading]:
    instrument = INSTRUMENTS[one.by]
    sd = None if one.within is None else 0.5 * one.within
    if one.gives is Gives.WAY:
        yield WayReading(one.at_m, one.toward_rad, instrument.way_sd_of(FIRST_SLOPE))
    elif one.gives is Gives.HEIGHT:
        yield HeightReading(one.at_m, one.size or 0.0, instrument.sd if sd is None else sd)
    elif one.size is None:
        yield SlopeReading(one.at_m, -FIRST_SLOPE, one.toward_rad, FIRST_SD)
    else:
        yield _slope(one, one.size, sd, own)
        if one.gives is Gives.ARROW:
            aside = max(abs(one.size), FLATTEST) * instrument.way_sd_of(one.size)
            yield SlopeReading(one.at_m, 0.0, one.toward_rad + 0.5 * math.pi, aside)


def _slope(one: ChartReading, size: float, sd: float | None, own: Mapping[str, Sense]) -> SlopeReading:
    """Return the slope along the way of a reading, felt ones as the golfer's own pairs have them."""
    usual = INSTRUMENTS[one.by].sd_of(size)
    if one.by in own:
        felt = own[one.by].slope(abs(size))
        size, usual = math.copysign(felt.value, size), felt.sd
    return SlopeReading(one.at_m, -size, one.toward_rad, usual if sd is None else sd)
