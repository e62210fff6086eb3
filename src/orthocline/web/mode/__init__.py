"""The mode feature."""

from orthocline.web.mode.routes import blueprint

__all__ = ["blueprint"]
