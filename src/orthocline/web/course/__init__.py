"""The course feature: what is done on the course, with a signal or without."""

from orthocline.web.course.routes import blueprint

__all__ = ["blueprint"]
