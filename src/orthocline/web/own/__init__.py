"""The own feature."""

from orthocline.web.own.routes import blueprint

__all__ = ["blueprint"]
