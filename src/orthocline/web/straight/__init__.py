"""The straight putt: the fall line through a hole, and every other putt by its hour round it."""

from orthocline.web.straight.routes import blueprint

__all__ = ["blueprint"]
