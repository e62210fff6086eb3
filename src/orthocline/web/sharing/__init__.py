"""The sharing feature."""

from orthocline.web.sharing.routes import blueprint

__all__ = ["blueprint"]
