"""Bytes to the core's dataclasses and back; no database, no interface."""
