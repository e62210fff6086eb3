"""Orthocline: putt break and aim from green slope, distance and green speed."""

__version__ = "0.1.0"
