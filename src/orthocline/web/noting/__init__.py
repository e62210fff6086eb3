"""The feature of noting putts."""

from orthocline.web.noting.routes import blueprint

__all__ = ["blueprint"]
