"""The links feature."""

from orthocline.web.links.routes import blueprint

__all__ = ["blueprint"]
