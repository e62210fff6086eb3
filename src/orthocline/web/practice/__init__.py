"""The practice feature: the minutes at hand, filled with what is weakest."""

from orthocline.web.practice.routes import blueprint

__all__ = ["blueprint"]
