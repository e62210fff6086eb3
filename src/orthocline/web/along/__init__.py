"""The along feature: today taken along."""

from orthocline.web.along.routes import blueprint

__all__ = ["blueprint"]
