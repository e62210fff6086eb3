"""The feature of what a golfer does again and again."""

from orthocline.web.habits.routes import blueprint

__all__ = ["blueprint"]
