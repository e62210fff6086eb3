"""The noramp feature."""

from orthocline.web.noramp.routes import blueprint

__all__ = ["blueprint"]
