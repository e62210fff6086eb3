"""The map of a green as a picture."""

from typing import BinaryIO, Final

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.pictures import png_of

DOTS: Final = 2.0
"""In a unit of the drawing."""
PAPER: Final = "#f6f1e7"


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the map."""
    file.write(png_of(green.drawn(), DOTS, PAPER))
