"""The installed feature: the application as an app of a phone."""

from orthocline.web.installed.routes import blueprint

__all__ = ["blueprint"]
