"""The prints feature: what a golfer carries."""

from orthocline.web.prints.routes import blueprint

__all__ = ["blueprint"]
