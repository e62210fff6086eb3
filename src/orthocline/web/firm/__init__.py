"""The feature of how often and how firm."""

from orthocline.web.firm.routes import blueprint

__all__ = ["blueprint"]
