"""The beat feature."""

from orthocline.web.beat.routes import blueprint

__all__ = ["blueprint"]
