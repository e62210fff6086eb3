"""The pupils feature."""

from orthocline.web.pupils.routes import blueprint

__all__ = ["blueprint"]
