"""The holes feature: where the hole can be cut today."""

from orthocline.web.holes.routes import blueprint

__all__ = ["blueprint"]
