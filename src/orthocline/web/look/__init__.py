"""The look feature: the walk round a putt."""

from orthocline.web.look.routes import blueprint

__all__ = ["blueprint"]
