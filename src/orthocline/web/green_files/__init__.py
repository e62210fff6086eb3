"""The green files feature."""

from orthocline.web.green_files.routes import blueprint

__all__ = ["blueprint"]
