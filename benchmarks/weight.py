"""Page weight over the wire: compressed, fonts included."""

import gzip
import json
import re
from pathlib import Path

from bars import bar
from client import fetch

STATIC = Path(__file__).parents[1] / "src/orthocline/web/static"
NAMED = re.compile(r'(?:src|href)="/static/([^"?]+\.(?:js|css))')
MARKED = re.compile(r"^js~[0-9a-f]+/")
TYPE = re.compile(r"url\(([^)]+\.woff2)\)")
IMPORTED = re.compile(r'from "\./([^"]+)"')


def bench_weight(redraw):
    """Print the weight of a first visit and of a redraw, by the address of one."""
    page = fetch(redraw)[1]
    sizes = {"page": len(gzip.compress(page))}
    for name in sorted(needed(page.decode())):
        held = (STATIC / name).read_bytes()
        sizes[name] = len(held) if name.endswith(".woff2") else len(gzip.compress(held))
    part = len(gzip.compress(fetch(redraw, {"HX-Request": "true"})[1]))
    bar("first visit, fonts included, packed", sum(sizes.values()) / 1e3, "kB", most=200)
    bar("a redraw, packed", part / 1e3, "kB")
    print("  " + json.dumps(sizes))


def needed(page):
    """Return what a page names, the type of its styles, and what its modules import."""
    names = {MARKED.sub("js/", name) for name in NAMED.findall(page)}
    waiting = set(names)
    while waiting:
        name = waiting.pop()
        found = set()
        if name.endswith(".js"):
            folder = name.rpartition("/")[0]
            found = {f"{folder}/{one}" for one in IMPORTED.findall((STATIC / name).read_text())}
        elif name.endswith(".css"):
            found = set(TYPE.findall((STATIC / name).read_text()))
        waiting |= found - names
        names |= found
    return names
