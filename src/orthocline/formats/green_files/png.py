"""The map of a green as a picture."""

import ctypes
from functools import cache
from pathlib import Path
from typing import BinaryIO, Final

import cairosvg

from orthocline.formats.green_files.out import GreenOut

DOTS: Final = 2.0
"""In a unit of the drawing."""
PAPER: Final = "#f6f1e7"
TYPE: Final = Path(__file__).parents[2] / "web/static/fonts/text.woff2"
FONTS: Final = "libfontconfig.so.1"


@cache
def _with_type() -> None:
    """Let the painter find the type that pages ship; without it another stands in."""
    ctypes.CDLL(FONTS).FcConfigAppFontAddFile(None, str(TYPE).encode())


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the map."""
    _with_type()
    cairosvg.svg2png(green.drawn().encode(), write_to=file, scale=DOTS, background_color=PAPER)
