"""The book feature: a green book."""

from orthocline.web.book.routes import blueprint

__all__ = ["blueprint"]
