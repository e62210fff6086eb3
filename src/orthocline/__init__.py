"""Orthocline: putt break and aim from green slope, distance and green speed."""
