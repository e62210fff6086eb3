"""The HTTP API, version 1."""

from orthocline.web.api.routes import blueprint

__all__ = ["blueprint"]
