"""The stand-in feature: strokes and a roller for the desk, on a hidden slope."""

from orthocline.web.stand_in.routes import blueprint

__all__ = ["blueprint"]
