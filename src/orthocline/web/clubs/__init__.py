"""The clubs feature."""

from orthocline.web.clubs.routes import blueprint

__all__ = ["blueprint"]
