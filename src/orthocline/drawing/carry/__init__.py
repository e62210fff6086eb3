"""Drawings that are carried."""
