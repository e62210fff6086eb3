"""The feature of putts in and out."""

from orthocline.web.log_files.routes import blueprint

__all__ = ["blueprint"]
