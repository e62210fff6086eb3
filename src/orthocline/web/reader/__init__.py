"""The reader feature: which reader one is."""

from orthocline.web.reader.routes import blueprint

__all__ = ["blueprint"]
