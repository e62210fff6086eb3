"""The feature of the read, the line or the pace of one putt."""

from orthocline.web.which_was_it.routes import blueprint

__all__ = ["blueprint"]
