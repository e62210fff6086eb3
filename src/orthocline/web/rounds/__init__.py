"""The feature of rounds and practices."""

from orthocline.web.rounds.routes import blueprint

__all__ = ["blueprint"]
