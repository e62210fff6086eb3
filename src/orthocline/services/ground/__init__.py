"""Courses and greens."""
