"""The today feature."""

from orthocline.web.today.routes import blueprint

__all__ = ["blueprint"]
