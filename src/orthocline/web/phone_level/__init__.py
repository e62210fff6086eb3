"""The phone as a level: laid down, turned round, and what it says of the ground."""

from orthocline.web.phone_level.routes import blueprint

__all__ = ["blueprint"]
