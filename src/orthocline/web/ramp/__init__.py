"""The ramp feature."""

from orthocline.web.ramp.routes import blueprint

__all__ = ["blueprint"]
