"""The speed feature."""

from orthocline.web.speed.routes import blueprint

__all__ = ["blueprint"]
