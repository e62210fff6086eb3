"""The read feature."""

from orthocline.web.read.routes import blueprint

__all__ = ["blueprint"]
