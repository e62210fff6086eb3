"""A green surveyed by readings: its mean ground, and how sure that is."""

from orthocline.core.survey.field import Looks
from orthocline.core.survey.fitting import Fit
from orthocline.core.survey.survey import HeightReading, SlopeReading, Survey, SurveyReading, WayReading

__all__ = [
    "Fit",
    "HeightReading",
    "Looks",
    "SlopeReading",
    "Survey",
    "SurveyReading",
    "WayReading",
]
"""Readings are of three kinds; more are made of these."""
