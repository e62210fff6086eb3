"""GeoTIFF: heights in the cells of the first band of a picture that knows where it lies."""

from collections.abc import Iterator
from typing import Any, BinaryIO, Final

import numpy as np
import rasterio
from rasterio.errors import RasterioError
from rasterio.io import DatasetReader
from rasterio.transform import Affine
from rasterio.windows import Window

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import PIECE, Figures, FileError, Said, Source, Told, bounded

DRIVER: Final = "GTiff"
"""The one driver: others open other files, and what those name."""
LARGEST_BLOCK: Final = 32_000_000
"""Bytes that are unpacked at once."""
BOUNDS: Final = {"GDAL_CACHEMAX": 32, "GDAL_DISABLE_READDIR_ON_OPEN": "EMPTY_DIR", "GDAL_PAM_ENABLED": "NO"}


def read(file: BinaryIO, _said: Said) -> Source:
    """Return the cells of a picture; raises FileError for one that is none, or too large."""
    try:
        picture = rasterio.open(file.name, driver=DRIVER)
    except RasterioError as error:
        raise FileError("This is no GeoTIFF, or a damaged one.") from error
    bounded(picture.width * picture.height, "cells")
    rows, columns = picture.block_shapes[0]
    if np.dtype(picture.dtypes[0]).kind not in "fiu":
        raise FileError("The cells of this picture are no heights.")
    if rows * columns * np.dtype(picture.dtypes[0]).itemsize * picture.count > LARGEST_BLOCK:
        raise FileError("This picture is packed in pieces that are too large: save it in tiles.")
    if picture.transform.is_identity:
        raise FileError("This picture does not say where it lies: it is a TIFF, but no GeoTIFF.")
    if abs(picture.transform.determinant) < 1e-18:
        raise FileError("The cells of this picture have no size.")
    notes = (f"Its first band of {picture.count} is read.",) if picture.count > 1 else ()
    spacing = abs(picture.transform.determinant) ** 0.5
    told = Told(
        picture.crs.to_wkt() if picture.crs else "",
        values=picture.width * picture.height,
        spacing=spacing,
        notes=notes,
    )
    return Source(told, _heights(picture, rows))


def _heights(picture: DatasetReader, block_rows: int) -> Iterator[Figures]:
    """Yield the places and heights of whole rows of its pieces."""
    every = max(block_rows, block_rows * (PIECE // max(picture.width * block_rows, 1)))
    scale, offset = picture.scales[0], picture.offsets[0]
    with rasterio.Env(**BOUNDS):
        for first in range(0, picture.height, every):
            rows = min(every, picture.height - first)
            try:
                cells = picture.read(1, window=Window(0, first, picture.width, rows), masked=True)
            except RasterioError as error:
                raise FileError(f"This picture is damaged: row {first:,} cannot be unpacked.") from error
            heights = cells.astype(float).filled(np.nan).ravel() * scale + offset
            column, row = np.meshgrid(np.arange(picture.width) + 0.5, first + np.arange(rows) + 0.5)
            x, y = picture.transform * (column.ravel(), row.ravel())
            yield np.column_stack([x, y, heights])


def write(green: GreenOut, file: BinaryIO) -> None:
    """Write the heights of a green, the rest as missing."""
    grid = green.grid()
    rows, columns = grid.heights.shape
    top = grid.low + grid.spacing * (rows - 0.5)
    profile: dict[str, Any] = {
        "driver": DRIVER,
        "width": columns,
        "height": rows,
        "count": 1,
        "dtype": "float64",
        "nodata": np.nan,
        "compress": "deflate",
        "transform": Affine(grid.spacing, 0.0, grid.left - 0.5 * grid.spacing, 0.0, -grid.spacing, top),
        "crs": green.system or None,
    }
    with rasterio.MemoryFile() as memory:
        with memory.open(**profile) as picture:
            picture.write(grid.heights[::-1], 1)
        file.write(memory.read())
