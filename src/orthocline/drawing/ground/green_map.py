"""The map of a green: its ground with contours and hachures, what is not sure, names, readings and pins."""

from dataclasses import dataclass
from typing import Final, NamedTuple

from orthocline.core.chart import Chart, Known
from orthocline.core.relief import Outline, Water
from orthocline.drawing.frame import Frame
from orthocline.drawing.ground.map_pen import MapPen, Place, PuttShown
from orthocline.drawing.labels import Room, Wanted, ink_of, place_labels
from orthocline.drawing.lettering import ON_PHONE
from orthocline.drawing.scene import Disc, Fill, Item, Scene, Sign, Spot, Words
from orthocline.wording.wording import Wording

WIDTH: Final = 620.0
EDGE, TOP, FOOT = 34.0, 22.0, 52.0
MOST_SCALE: Final = 90.0
CORNER: Final = 5.0


@dataclass(frozen=True)
class Shown:
    """What is drawn on a map besides its chart.

    Attributes
    ----------
    holding : float or None
        The steepest slope [ratio] that holds a ball at the day's speed.
    water, above : Water or None
        Where water runs that was poured, and where the fall line of that place comes from.
    spot, next_m : tuple of float or None
        The place that is looked at, and the one that asks to be read [m].
    chosen : str
        What is chosen: ``reading-3``, ``pin-0``.
    corners : bool
        Whether the outline's corners are shown.
    named : bool
        Whether places have their names, which take a while; not while something is dragged.
    putt : PuttShown or None
        A putt that is placed; readings stand back for it.
    """

    holding: float | None = None
    water: Water | None = None
    above: Water | None = None
    spot: Place | None = None
    next_m: Place | None = None
    chosen: str = ""
    corners: bool = False
    named: bool = True
    putt: PuttShown | None = None


class MapSheet(NamedTuple):
    """The map, and how places [m] lie on it."""

    scene: Scene
    frame: Frame

    def at(self, place: Place) -> Spot:
        """Return where a place lies on the sheet."""
        return self.frame.spot(place[1], place[0])


def map_frame(outline: Outline) -> tuple[Frame, float]:
    """Return the frame of a map, the way play comes in up, and how high its sheet is."""
    (left, low), (right, top) = outline.box
    scale = min((WIDTH - 2.0 * EDGE) / (right - left), (WIDTH - TOP - FOOT) / (top - low), MOST_SCALE)
    height = round(scale * (top - low) + TOP + FOOT)
    origin = 0.5 * WIDTH - scale * 0.5 * (left + right), TOP + scale * top
    return Frame(scale, *origin), height


def green_map(
    chart: Chart,
    known: Known | None,
    outline: Outline,
    wording: Wording,
    says: str,
    shown: Shown,
) -> MapSheet:
    """Return the map of a green.

    Parameters
    ----------
    chart : Chart
        What is charted.
    known : Known or None
        What that makes known; None before anything is read.
    outline : Outline
        Its edge.
    says : str
        The map in words.
    shown : Shown
        What else is drawn.
    """
    frame, height = map_frame(outline)
    drawn = MapPen(frame, wording, outline)
    ground: list[Item] = [drawn.edge.ground]
    over: list[Item] = []
    wanted: list[Wanted] = []
    caption = ""
    if known:
        interval, lines = drawn.contours(known)
        caption = f"contours every {interval}"
        ground += [*drawn.unsure(known), *lines, *drawn.hachures(known)]
        over += drawn.too_steep(known, shown.holding)
        over += [*drawn.ends(known, wanted), *drawn.named(known.named, wanted)] if shown.named else []
    over.append(drawn.edge.line())
    over += [*drawn.grain(chart, shown.chosen), *drawn.above(shown.above), *drawn.water(shown.water)]
    over += [] if shown.putt else drawn.readings(chart, known, shown.chosen)
    over += drawn.pins(chart, shown.chosen, wanted)
    if shown.next_m:
        over.append(Disc(drawn.spot(shown.next_m), 11.0, Sign.UNSURE, Fill.HATCHED, 2.0, name="next"))
        wanted.append(Wanted("read here next", drawn.spot(shown.next_m), "near", Sign.UNSURE, needed=False))
    if shown.corners:
        over += [
            Disc(drawn.spot(one), CORNER, Sign.INK, Fill.OPEN, 1.6, name="corner") for one in chart.corners
        ]
    over += drawn.looked_at(None if shown.putt else shown.spot)
    if shown.putt:
        over += drawn.putt(shown.putt)
    room = Room(6.0, WIDTH - 6.0, 14.0, height - 34.0, ON_PHONE)
    labels = place_labels(wanted, ink_of(over), room)
    over += [item for label in labels for item in label.items]
    over += [
        *(() if shown.putt else (Words("play comes in from below", Spot(8.0, height - 10.0), Sign.QUIET),)),
        Words(caption, Spot(WIDTH - 8.0, height - 10.0), Sign.FALL, "end"),
    ]
    data = {"scale": frame.scale, "hole-x": frame.hole_x, "hole-y": frame.hole_y}
    return MapSheet(Scene("map", WIDTH, height, says, (*ground, *over), data), frame)
