"""The eyes feature: a putt as its golfer sees it."""

from orthocline.web.eyes.routes import blueprint

__all__ = ["blueprint"]
