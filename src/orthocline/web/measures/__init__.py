"""The measures feature."""

from orthocline.web.measures.routes import blueprint

__all__ = ["blueprint"]
