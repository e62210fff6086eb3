"""Watched balls: another player's, and the golfer's own as a probe of the ground."""

from orthocline.web.balls.routes import blueprint

__all__ = ["blueprint"]
