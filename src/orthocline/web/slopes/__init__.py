"""The slopes feature: feel or see a slope, then lay the level."""

from orthocline.web.slopes.routes import blueprint

__all__ = ["blueprint"]
