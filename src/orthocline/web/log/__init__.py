"""The log feature."""

from orthocline.web.log.routes import blueprint

__all__ = ["blueprint"]
