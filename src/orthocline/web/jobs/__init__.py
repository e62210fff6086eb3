"""The jobs feature."""

from orthocline.web.jobs.routes import blueprint

__all__ = ["blueprint"]
