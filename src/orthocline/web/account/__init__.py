"""The account feature."""

from orthocline.web.account.routes import blueprint

__all__ = ["blueprint"]
