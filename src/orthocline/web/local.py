"""Addresses to go on to, which never lead off the site."""

from urllib.parse import urlsplit

from flask import url_for


def local_path(wanted: object) -> str:
    """Return a path of this site to go on to; the start page where `wanted` is none."""
    start = url_for("today.page")
    if not isinstance(wanted, str) or not wanted.startswith("/") or wanted.startswith(("//", "/\\")):
        return start
    try:
        parts = urlsplit(wanted)
    except ValueError:
        return start
    safe = not parts.scheme and not parts.netloc and wanted.isprintable() and "\\" not in wanted
    return wanted if safe else start
