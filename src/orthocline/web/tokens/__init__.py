"""The tokens feature."""

from orthocline.web.tokens.routes import blueprint

__all__ = ["blueprint"]
