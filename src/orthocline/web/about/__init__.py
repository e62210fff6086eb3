"""The about feature."""

from orthocline.web.about.routes import blueprint

__all__ = ["blueprint"]
