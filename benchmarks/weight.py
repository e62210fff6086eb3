"""Page weight over the wire: compressed, fonts included."""

import gzip
import json
from pathlib import Path

from client import fetch


def bench_weight(redraw):
    """Print the weight of a first visit and of a redraw, by the address of one."""
    page = fetch(redraw)[1]
    static = Path(__file__).parents[1] / "src/orthocline/web/static"
    sizes = {"page": len(gzip.compress(page))}
    for path in sorted(static.rglob("*")):
        if path.suffix in (".css", ".js"):
            sizes[path.name] = len(gzip.compress(path.read_bytes()))
        elif path.suffix == ".woff2":
            sizes[path.name] = path.stat().st_size
    part = len(gzip.compress(fetch(redraw, {"HX-Request": "true"})[1]))
    print(f"weight: first visit {sum(sizes.values()) / 1e3:.0f} kB, a redraw {part / 1e3:.1f} kB (gzip)")
    print("  " + json.dumps(sizes))
