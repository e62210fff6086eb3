"""The schools feature."""

from orthocline.web.schools.routes import blueprint

__all__ = ["blueprint"]
