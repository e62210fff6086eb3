"""The other methods of measuring green speed."""

from orthocline.web.other_methods.routes import blueprint

__all__ = ["blueprint"]
