"""The map of a green as a drawing."""

from typing import BinaryIO

from orthocline.formats.green_files.out import GreenOut


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the map."""
    file.write(green.drawn().encode())
