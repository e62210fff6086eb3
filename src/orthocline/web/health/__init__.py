"""The health feature."""

from orthocline.web.health.routes import blueprint

__all__ = ["blueprint"]
