"""The drills feature: a shelf of drills, their set-up, and each ball noted by one tap."""

from orthocline.web.drills.routes import blueprint

__all__ = ["blueprint"]
