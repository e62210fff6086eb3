"""Courses and their greens; a green's page is its map."""

from orthocline.web.greens.routes import blueprint as blueprint

__all__ = ["blueprint"]
