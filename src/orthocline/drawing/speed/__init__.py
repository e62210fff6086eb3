"""Ramp, rolls, speeds over time, the beat."""
