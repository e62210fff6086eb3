"""The keeper's sheet of a study: its map and its fair holes on one page, black on white."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.chart import Chart, Known
from orthocline.core.study import Holes
from orthocline.drawing.ground.green_map import WIDTH, map_frame
from orthocline.drawing.ground.holes_map import HolesShown, Lies, map_items
from orthocline.drawing.lettering import LARGE, cut
from orthocline.drawing.scene import Item, Line, Scene, Sign, Spot, Words, spots_of
from orthocline.wording.ground.holes import HoleLine
from orthocline.wording.wording import Wording

WIDE: Final = 760.0
TALL: Final = 297.0 / 210.0 * WIDE
"""As high for its width as A4."""
MARGIN: Final = 24.0
TITLE, LEAD, MAP = 40.0, 68.0, 76.0
ROW: Final = 24.0
COLUMNS: Final = (WIDE - 24.0, 636.0, 536.0)
"""Right sides of the figures, from the last to the first."""
FAIR: Final = 256.0
LETTERS_UP: Final = 6.0


@dataclass(frozen=True)
class SheetWords:
    """What a sheet says: its title, a line on what was found, its columns, its holes, and its foot."""

    title: str
    lead: str
    columns: Sequence[str]
    lines: Sequence[HoleLine]
    foot: str


def holes_sheet(
    chart: Chart, known: Known, holes: Holes, shown: HolesShown, said: SheetWords, wording: Wording
) -> Scene:
    """Return the sheet; what it draws of the green is as `map_items` has it."""
    frame, height = map_frame(known.outline)
    left, room = 0.5 * (WIDE - WIDTH), WIDE - 2.0 * MARGIN
    frame = replace(frame, hole_x=frame.hole_x + left, hole_y=frame.hole_y + MAP)
    items: list[Item] = [
        Words(cut(said.title, room, LARGE), Spot(MARGIN, TITLE), large=True),
        Words(cut(said.lead, room), Spot(MARGIN, LEAD)),
        *map_items(Lies(frame, MAP + height, left), chart, known, holes, shown, wording),
    ]
    top = MAP + height + ROW
    items += _row(top, "", "", "", said.columns)
    for i, one in enumerate(said.lines, start=1):
        foot = top + ROW * i
        items.append(
            Line(
                spots_of((MARGIN, foot - ROW + LETTERS_UP), (WIDE - MARGIN, foot - ROW + LETTERS_UP)),
                Sign.RULE,
                0.8,
            )
        )
        items += _row(foot, one.mark, one.where, one.fair, one.figures)
    items.append(Words(said.foot, Spot(MARGIN, TALL - MARGIN), Sign.QUIET))
    return Scene("", WIDE, TALL, f"{said.title}. {said.lead}", tuple(items))


def _row(foot: float, mark: str, where: str, fair: str, figures: Sequence[str]) -> list[Item]:
    found: list[Item] = [
        Words(mark, Spot(MARGIN, foot), Sign.DO),
        Words(where, Spot(MARGIN + ROW, foot)),
        Words(fair, Spot(FAIR, foot), Sign.QUIET),
    ]
    found += [
        Words(text, Spot(right, foot), Sign.INK, "end")
        for text, right in zip(reversed(figures), COLUMNS, strict=True)
    ]
    return [one for one in found if isinstance(one, Words) and one.text]
