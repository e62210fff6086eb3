"""Drawings as PNG. Heavy: loaded where a job makes one."""

import ctypes
from functools import cache
from pathlib import Path
from typing import Final

import cairosvg

TYPE_FILE: Final = Path(__file__).parents[1] / "web/static/fonts/text.woff2"
"""The type that pages ship."""
FONTS: Final = "libfontconfig.so.1"


@cache
def _with_type() -> None:
    """Let the painter find the type that pages ship; without it another stands in."""
    ctypes.CDLL(FONTS).FcConfigAppFontAddFile(None, str(TYPE_FILE).encode())


def png_of(drawing: str, dots: float, paper: str) -> bytes:
    """Return a drawing, SVG, as PNG.

    Parameters
    ----------
    drawing : str
        A document of its own.
    dots : float
        In a unit of the drawing.
    paper : str
        The colour of what it lies on.
    """
    _with_type()
    return bytes(cairosvg.svg2png(drawing.encode(), scale=dots, background_color=paper))
