"""The cards feature: pocket cards."""

from orthocline.web.cards.routes import blueprint

__all__ = ["blueprint"]
