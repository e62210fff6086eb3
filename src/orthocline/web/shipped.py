"""Files that ship with the application: the address of each changes with what it says, and may be kept."""

import hashlib
import re
from functools import cache
from pathlib import Path
from typing import Final

from flask import current_app, request, url_for

SCRIPTS: Final = "js"
"""The folder of scripts that import each other: a mark of all of them stands in the name of their folder."""
APART: Final = ("licences", "workbox", "worker.js")
"""What no page asks for by itself."""
MARKED: Final = re.compile(rf"^{SCRIPTS}~(\w*)/")


def asset(name: str) -> str:
    """Return the address of a shipped file."""
    folder, _, rest = name.partition("/")
    if folder == SCRIPTS:
        return url_for("static", filename=f"{SCRIPTS}~{_scripts_mark()}/{rest}")
    return url_for("static", filename=name, v=_mark(_static(name)))


def shipped_addresses() -> list[str]:
    """Return the addresses of all that pages ask for by themselves."""
    folder = Path(current_app.static_folder or "")
    found = sorted(path.relative_to(folder) for path in folder.rglob("*.*"))
    addresses = []
    for path in found:
        if path.suffix == ".woff2":
            addresses.append(url_for("static", filename=str(path)))
        elif path.parts[0] not in APART:
            addresses.append(asset(str(path)))
    return addresses


def shipped_name(filename: str) -> str:
    """Return under which name a file lies that is asked for."""
    return MARKED.sub(f"{SCRIPTS}/", filename)


def may_be_kept() -> bool:
    """Return whether what is asked for never changes under its address."""
    _, _, filename = request.path.partition("/static/")
    marked = MARKED.match(filename)
    if marked:
        return marked[1] == _scripts_mark()
    return "v" in request.args or filename.endswith(".woff2")


def _static(name: str) -> Path:
    return Path(current_app.static_folder or "", name)


def _scripts_mark() -> str:
    return _mark(_static(SCRIPTS))


@cache
def _mark(path: Path) -> str:
    """Return the mark of a file, or of all scripts in a folder; neither changes while it is served."""
    files = sorted(path.rglob("*.js")) if path.is_dir() else [path]
    return hashlib.sha256(b"".join(one.read_bytes() for one in files)).hexdigest()[:10]
