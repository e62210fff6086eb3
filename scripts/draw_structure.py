"""Draw the floors and rooms of the code, and what imports what, from the imports themselves.

usage: scripts/draw_structure.py      (writes docs/structure.svg)
"""

import sys
from pathlib import Path

import grimp

from orthocline.drawing.scene import Area, Fill, Item, Line, Scene, Sign, Spot, Words, box, spots_of
from orthocline.drawing.svg import svg_file

PICTURE = Path(__file__).parents[1] / "docs/structure.svg"
FLOORS = ("web", "cli", "jobs", "services", "drawing", "wording", "formats", "db", "engine", "core")
"""From the top down; nothing imports upward."""
COLUMNS = ("ground", "roll", "speed", "calls", "read", "log", "account", "")
"""The rooms; last what a floor has for all of them."""
ROOM_OF = {
    "ramp": "speed",
    "other_methods": "speed",
    "beat": "speed",
    "measures": "account",
    "mode": "account",
    "demo": "",
    "server": "",
}
"""Folders that are part of another room, or of none."""
LEFT, TOP, COLUMN, BOX, LINE, GAP = 110.0, 56.0, 138.0, 124.0, 26.0, 40.0
Place = tuple[str, str, str]
"""Floor, room, and the folder in it."""


def place_of(module: str, folders: set[str]) -> Place | None:
    """Return where a module stands, given all that have modules in them; None for the package itself."""
    parts = module.split(".")[1:]
    if not parts or parts[0] not in FLOORS:
        return None
    inside = len(parts) > 2 or module in folders
    folder = parts[1] if inside and len(parts) > 1 else ""
    room = ROOM_OF.get(folder, folder)
    return parts[0], room if room in COLUMNS else "", folder


def imports() -> tuple[set[Place], set[tuple[Place, Place]]]:
    """Return every place, and which rooms import which on another floor.

    What a floor has for all of its rooms is left out: everything may import it.
    """
    graph = grimp.build_graph("orthocline", cache_dir=None)
    places, edges = set(), set()
    folders = {module.rpartition(".")[0] for module in graph.modules}
    for module in sorted(graph.modules):
        here = place_of(module, folders)
        if here is None:
            continue
        places.add(here)
        for other in graph.find_modules_directly_imported_by(module):
            there = place_of(other, folders)
            if there and there[0] != here[0] and here[1] and there[1]:
                edges.add((here, there))
    return places, edges


def boxes(places: set[Place]) -> tuple[dict[Place, Spot], dict[str, float], float]:
    """Return the upper left corner of every place, the top of every floor, and where it all ends."""
    corners, tops = {}, {}
    y = TOP
    for floor in FLOORS:
        stacks = [[p for p in places if p[:2] == (floor, room)] for room in COLUMNS]
        tall = max(len(stack) for stack in stacks)
        for i, stack in enumerate(stacks):
            for j, place in enumerate(sorted(stack)):
                corners[place] = Spot(LEFT + i * COLUMN, y + j * (LINE + 6.0))
        tops[floor] = y
        y += tall * (LINE + 6.0) - 6.0 + GAP
    return corners, tops, y - GAP + 20.0


def scene() -> Scene:
    """Return the drawing."""
    places, edges = imports()
    corners, tops, height = boxes(places)
    width = LEFT + len(COLUMNS) * COLUMN
    items: list[Item] = [Area(box(0.0, 0.0, width, height), fill=Fill.GROUND)]
    for i, room in enumerate(COLUMNS):
        items.append(Words(room or "for all", Spot(LEFT + i * COLUMN + BOX / 2, 34.0), Sign.QUIET, "middle"))
    for here, there in sorted(edges):
        same = here[1] == there[1]
        ends = spots_of(
            (corners[here].x + BOX / 2, corners[here].y + LINE),
            (corners[there].x + BOX / 2, corners[there].y),
        )
        items.append(Line(ends, Sign.FALL if same else Sign.QUIET, 2.0 if same else 0.8))
    for floor, y in tops.items():
        items.append(Words(floor, Spot(12.0, y + 19.0), Sign.INK))
    for place, corner in sorted(corners.items()):
        items += _box(place, corner)
    says = "Floors and rooms of the code: " + "; ".join(
        f"{floor} has {', '.join(sorted({p[2] or 'modules for all' for p in corners if p[0] == floor}))}"
        for floor in FLOORS
    )
    return Scene("structure", width, height, says, tuple(items))


def _box(place: Place, corner: Spot) -> list[Item]:
    floor, _, folder = place
    name = folder or ("for all" if floor not in ("cli", "formats", "jobs") else floor)
    edge = Sign.DO if floor == "core" else Sign.INK
    middle = Spot(corner.x + BOX / 2, corner.y + 19.0)
    shape = box(corner.x, corner.y, corner.x + BOX, corner.y + LINE)
    return [Area(shape, edge, Fill.OPEN, 1.2), Words(name, middle, Sign.INK, "middle")]


def drawing() -> str:
    """Return the drawing as the file holds it."""
    return svg_file(scene()) + "\n"


def main() -> None:
    """Write the drawing."""
    PICTURE.write_text(drawing(), encoding="utf-8")


if __name__ == "__main__":
    sys.exit(main())
