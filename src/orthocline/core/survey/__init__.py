"""A green surveyed by readings: its mean ground, and how sure that is."""

from orthocline.core.survey.field import Looks, both_slopes
from orthocline.core.survey.fitting import Fit
from orthocline.core.survey.next_reading import NextPlace, next_place
from orthocline.core.survey.points import gridded
from orthocline.core.survey.scan import Scan
from orthocline.core.survey.survey import (
    GrainArea,
    HeightReading,
    SlopeReading,
    Survey,
    SurveyReading,
    WayReading,
)

__all__ = [
    "Fit",
    "GrainArea",
    "HeightReading",
    "Looks",
    "NextPlace",
    "Scan",
    "SlopeReading",
    "Survey",
    "SurveyReading",
    "WayReading",
    "both_slopes",
    "gridded",
    "next_place",
]
"""Readings are of three kinds; more are made of these."""
