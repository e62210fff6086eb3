"""Grain by its clues: what is seen on the cup's rim and in the sheen, and what it does to a putt."""

from orthocline.web.grain.routes import blueprint

__all__ = ["blueprint"]
