"""The styles of the sheet as attributes of each thing, which every program that reads SVG knows."""

import re
from functools import cache
from importlib.resources import files
from typing import Final

RULE: Final = re.compile(r"^\s*([.\w\s\[\]=\"-]+?)\s*\{([^{}]*)\}", re.MULTILINE)
SAID: Final = re.compile(r"([\w-]+):\s*([^;]+);")
USED: Final = re.compile(r"var\((--[\w-]+)\)")
TAG: Final = re.compile(r"<(\w+)((?: [\w:-]+=\"[^\"]*\")*)(/?)>")
ATTRIBUTE: Final = re.compile(r" ([\w:-]+)=\"([^\"]*)\"")
TYPE: Final = "Atkinson Hyperlegible Next"
"""The family that pages ship."""
WRITTEN: Final = frozenset(
    (
        *("fill", "stroke", "stroke-width", "stroke-linecap", "stroke-linejoin", "stroke-dasharray"),
        *("opacity", "display", "font-family"),
    )
)
"""What becomes an attribute; numerals of one width and the order of painting do not."""
Style = dict[str, str]
PRINTED: Final[Style] = {
    **{f"--color-{name}": "#000000" for name in ("ink", "quiet")},
    "--color-raised": "#ffffff",
}
"""What differs on white paper."""


@cache
def _sheet() -> tuple[Style, dict[str, Style]]:
    """Return the palette, and what each class and part is styled like."""
    text = files("orthocline.drawing").joinpath("sheet.css").read_text(encoding="utf-8")
    text = re.sub(r"/\*.*?\*/", "", text, flags=re.DOTALL).replace("@layer components {", "")
    rules = {name.split()[-1]: dict(SAID.findall(body)) for name, body in RULE.findall(text)}
    return dict(SAID.findall(text[: text.index("}")])), rules


def plain(drawn: str, *, printed: bool = False) -> str:
    """Return a drawing with its styles as attributes, words on a rim of the ground under them.

    Parameters
    ----------
    drawn : str
        As the writer of scenes writes it.
    printed : bool
        For white paper: in black, and without the rims.

    Returns
    -------
    str
        Without classes.
    """
    open_tags: list[str] = []

    def styled(match: re.Match[str]) -> str:
        tag, attributes, closed = match[1], dict(ATTRIBUTE.findall(match[2])), match[3]
        style = _style(attributes, PRINTED if printed else {})
        own = {name: said for name, said in attributes.items() if name != "class"}
        told = {**{name: said for name, said in style.items() if name in WRITTEN}, **own}
        if tag == "text":
            # Filled over its own rim by hand: not every program paints strokes first.
            rim, told = told, {**told, "stroke": "none"}
            open_tags.append(_tag(tag, rim, closed))
        return _tag(tag, told, closed)

    written = TAG.sub(styled, drawn)
    if printed:
        return written
    rims = iter(open_tags)
    return re.sub(r"<text[^>]*>([^<]*</text>)", lambda words: f"{next(rims)}{words[1]}{words[0]}", written)


def _tag(tag: str, attributes: Style, closed: str) -> str:
    written = "".join(f' {name}="{said}"' for name, said in attributes.items())
    return f"<{tag}{written}{closed}>"


def _style(attributes: Style, instead: Style) -> Style:
    """Return how a thing is styled by its classes and its part, with other colours `instead` of some."""
    shipped, rules = _sheet()
    palette = shipped | instead
    names = [f".{name}" for name in attributes.get("class", "").split()]
    if "data-part" in attributes:
        names.append(f'[data-part="{attributes["data-part"]}"]')
    said: Style = {}
    for name in names:
        said |= rules.get(name, {})
    variables = palette | {name: _put(text, palette) for name, text in said.items() if name.startswith("--")}
    style = {name: _put(text, variables) for name, text in said.items() if not name.startswith("--")}
    if "font-family" in style:
        style["font-family"] = f"{TYPE}, sans-serif"
    return style


def _put(text: str, variables: Style) -> str:
    return USED.sub(lambda match: variables.get(match[1], "none"), text)
