"""Sharing in words."""
