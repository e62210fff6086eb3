"""The one writer of scenes: SVG for a page, or a file that stands alone."""

from html import escape

import numpy as np

from orthocline.drawing.lettering import LARGE, USUAL
from orthocline.drawing.plain import plain
from orthocline.drawing.scene import (
    Area,
    Disc,
    Fill,
    Group,
    Hachures,
    Item,
    Line,
    Scene,
    Spots,
    Strokes,
    Words,
)

SPARE = ((" -", "-"), ("-0.", "-."), (" 0.", " ."))
"""What a path reads the same without: a space before a minus, a nought that says nothing."""
CURVE = 5
"""A line through so many places is a curve."""
UNSURE = "unsure-"
"""Before the name of its sheet, the name of a hatching: several sheets may stand on one page."""
HATCHING = (
    '<pattern id="{name}" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">'
    '<path class="wash" d="M0 0H6V6H0Z"/>'
    '<path class="line sign-unsure" d="M0 0V6" stroke-width="1.2" opacity=".7"/></pattern>'
)


def svg(scene: Scene, classes: str = "") -> str:
    """Return a scene as SVG to stand in a page, whose styles give the signs their colours."""
    return _written(scene, f'class="sheet {escape(classes)}"')


def svg_file(scene: Scene, *, printed: bool = False) -> str:
    """Return a scene as an SVG document of its own, its styles as attributes; `printed` on white paper."""
    size = (
        f'xmlns="http://www.w3.org/2000/svg" width="{scene.width:g}" height="{scene.height:g}" class="sheet"'
    )
    return plain(_written(scene, size), printed=printed)


def _written(scene: Scene, attributes: str) -> str:
    data = "".join(f' data-{name}="{value:.7g}"' for name, value in scene.data.items())
    body = "".join(map(_item, scene.items)).replace(UNSURE, f"{UNSURE}{scene.name}")
    defs = _defs(scene, body)
    name = f' id="{escape(scene.name)}"' if scene.name else ""
    view = f"0 0 {scene.width:g} {scene.height:g}"
    return (
        f'<svg{name} viewBox="{view}" {attributes} role="img"'
        f' aria-label="{escape(scene.says)}" font-size="{USUAL:g}"{data}>{defs}{body}</svg>'
    )


def _defs(scene: Scene, body: str) -> str:
    patterns = [
        _pattern(item.fill)
        for item in scene.items
        if isinstance(item, Area) and isinstance(item.fill, Hachures)
    ]
    if UNSURE in body:
        patterns.append(HATCHING.replace("{name}", f"{UNSURE}{scene.name}"))
    return f"<defs>{''.join(patterns)}</defs>" if patterns else ""


def _pattern(ground: Hachures) -> str:
    every, spacing, turn = ground.every, ground.spacing, ground.fall_deg + 180.0
    stroke = f"M{0.5 * every:.2f} {0.16 * spacing:.1f}V{0.62 * spacing:.1f}"
    return (
        f'<pattern id="hachures" width="{every}" height="{spacing}" patternUnits="userSpaceOnUse"'
        f' patternTransform="translate({ground.origin.x} {ground.origin.y}) rotate({turn:.2f})">'
        f'<path class="line sign-fall" d="M0 .5H{every}" stroke-width="1" opacity=".35"/>'
        f'<path class="line sign-fall" d="{stroke}" stroke-width="{ground.weight}" opacity=".5"/></pattern>'
    )


def _item(item: Item) -> str:
    match item:
        case Line():
            return _element(item, "path", f"line sign-{item.sign}", {"d": _through(item.spots)})
        case Strokes():
            return _element(item, "path", f"line sign-{item.sign}", {"d": _apart(item.spots)})
        case Area():
            return _area(item)
        case Disc():
            place = {"cx": _figure(item.at.x), "cy": _figure(item.at.y), "r": _figure(item.radius)}
            return _element(item, "circle", f"{item.fill or 'line'} sign-{item.sign}", place)
        case Words():
            return _words(item)
        case Group():
            title = f"<title>{escape(item.title)}</title>" if item.title else ""
            return _element(item, "g", "", {}, title + "".join(map(_item, item.items)))
    raise TypeError(f"no way to write a {type(item).__name__}")


def _area(item: Area) -> str:
    closed = "".join(f"{_through(ring)}Z" for ring in (item.spots, *item.rings))
    attributes = {"d": _curves(item.spots) if item.curved else closed}
    if item.rings:
        attributes["fill-rule"] = "evenodd"
    if isinstance(item.fill, Hachures):
        return _element(item, "path", "", {"fill": "url(#hachures)"} | attributes)
    if item.shade < 1.0:
        attributes["fill-opacity"] = f"{item.shade:g}"
    if item.fill is Fill.HATCHED:
        attributes["fill"] = f"url(#{UNSURE})"
    return _element(item, "path", f"{item.fill} sign-{item.sign}", attributes)


def _words(item: Words) -> str:
    attributes = {"x": _figure(item.at.x), "y": _figure(item.at.y)}
    if item.anchor != "start":
        attributes["text-anchor"] = item.anchor
    if item.large:
        attributes |= {"font-size": f"{LARGE:g}", "font-weight": "700"}
    classes = f"words{' words-large' if item.large else ''} sign-{item.sign}"
    return _element(item, "text", classes, attributes, escape(item.text))


def _element(item: Item, tag: str, classes: str, attributes: dict[str, str], body: str = "") -> str:
    said = {"data-part": escape(item.name), "class": f"{classes}{' hidden' if item.hidden else ''}".strip()}
    width, dash = getattr(item, "width", 0.0), getattr(item, "dash", "")
    said |= attributes | {"stroke-width": f"{width:g}" if width else "", "stroke-dasharray": dash}
    written = "".join(f' {name}="{value}"' for name, value in said.items() if value)
    return f"<{tag}{written}>{body}</{tag}>" if body else f"<{tag}{written}/>"


def _figure(value: float) -> str:
    return f"{round(value, 1):g}"


def _places(form: str, places: Spots) -> str:
    """Return places to a tenth, each in a form: a letter, and a %g for each of its numbers."""
    written = form * len(places) % tuple(np.round(places, 1).ravel().tolist())
    for spare, short in SPARE:
        written = written.replace(spare, short)
    return written.strip()


def _through(spots: Spots) -> str:
    """Return a path through places; a curve of many goes on from each to the next, which is half as long."""
    if len(spots) < CURVE:
        return "M" + _places("L%g %g", spots)[1:]
    even = np.round(spots, 1)
    return f"{_places('M%g %g', even[:1])}l{_places(' %g %g', np.diff(even, axis=0))}"


def _apart(spots: Spots) -> str:
    even = np.round(spots, 1)
    return _places("M%g %gl%g %g", np.hstack([even[::2], even[1::2] - even[::2]]))


def _curves(spots: Spots) -> str:
    return f"{_places('M%g %g', spots[:1])}C{_places(' %g %g', spots[1:])}Z"
