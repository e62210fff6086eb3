"""The feature of the log's figures."""

from orthocline.web.figures.routes import blueprint

__all__ = ["blueprint"]
