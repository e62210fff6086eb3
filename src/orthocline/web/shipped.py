"""Files that ship with the application: the address of each changes with what it says, and may be kept."""

import hashlib
import re
from functools import cache
from pathlib import Path
from typing import Final

from flask import current_app, request, url_for

SCRIPTS: Final = "js"
"""The folder of scripts that import each other: a mark of all of them stands in the name of their folder."""
MARKED: Final = re.compile(rf"^{SCRIPTS}~(\w*)/")


def asset(name: str) -> str:
    """Return the address of a shipped file."""
    folder, _, rest = name.partition("/")
    if folder == SCRIPTS:
        return url_for("static", filename=f"{SCRIPTS}~{_mark(*_scripts())}/{rest}")
    return url_for("static", filename=name, v=_mark(_static(name)))


def shipped_name(filename: str) -> str:
    """Return under which name a file lies that is asked for."""
    return MARKED.sub(f"{SCRIPTS}/", filename)


def may_be_kept() -> bool:
    """Return whether what is asked for never changes under its address."""
    _, _, filename = request.path.partition("/static/")
    marked = MARKED.match(filename)
    if marked:
        return marked[1] == _mark(*_scripts())
    return "v" in request.args or filename.endswith(".woff2")


def _static(name: str) -> Path:
    return Path(current_app.static_folder or "", name)


def _scripts() -> tuple[Path, ...]:
    return tuple(sorted(_static(SCRIPTS).glob("*.js")))


@cache
def _mark(*paths: Path) -> str:
    return hashlib.sha256(b"".join(path.read_bytes() for path in paths)).hexdigest()[:10]
