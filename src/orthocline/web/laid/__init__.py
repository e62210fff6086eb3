"""The laid feature: simulated instruments on a hidden place."""

from orthocline.web.laid.routes import blueprint

__all__ = ["blueprint"]
