"""LAS and LAZ: points as a laser counted them, packed or not."""

import struct
from collections.abc import Iterator
from typing import BinaryIO, Final

import laspy
import numpy as np
from laspy.errors import LaspyException
from lazrs import LazrsError
from pyproj import CRS
from pyproj.exceptions import CRSError

from orthocline.formats.green_files.out import GreenOut
from orthocline.formats.green_files.source import (
    PIECE,
    Figures,
    FileError,
    Said,
    Source,
    Told,
    bounded,
    size_of,
)

MAGIC: Final = b"LASF"
HEAD_BYTES: Final = 375
MOST_RECORDS: Final = 500
SHORTEST_RECORD, LONGEST_RECORD = 20, 2000
LEAST_PACKED: Final = 0.2
"""A packed point takes so many bytes at least."""
GROUND: Final = 2
"""The class of ground points, by the format's own table."""
SCALE_M: Final = 0.0001


def read(file: BinaryIO, _said: Said) -> Source:
    """Return the points of a file, those on the ground where any are; raises FileError if it is damaged."""
    _checked(file)
    try:
        cloud = laspy.open(file, closefd=False, read_evlrs=False)
        crs = cloud.header.parse_crs()
    except CRSError:
        crs = None
    except (LaspyException, LazrsError, ValueError, OSError, struct.error) as error:
        raise FileError("The head of this file is damaged.") from error
    told = Told(crs.to_wkt() if crs else "", values=int(cloud.header.point_count))
    return Source(told, _points(cloud))


def _checked(file: BinaryIO) -> None:
    """Refuse a head that claims what the file cannot hold; raises FileError."""
    size = size_of(file)
    head = file.read(HEAD_BYTES)
    file.seek(0)
    if head[:4] != MAGIC or len(head) < 227:
        raise FileError("This is no LAS or LAZ file.")
    minor = head[25]
    head_size, offset, records, kind, length, old = struct.unpack_from("<HIIBHI", head, 94)
    count = struct.unpack_from("<Q", head, 247)[0] if minor >= 4 and len(head) >= 255 else old
    packed = kind & 0x80
    bounded(count, "points")
    if not 227 <= head_size <= offset <= size or records > MOST_RECORDS:
        raise FileError("The head of this file is damaged.")
    if not SHORTEST_RECORD <= length <= LONGEST_RECORD:
        raise FileError(f"The points of this file are said to be {length} bytes long.")
    if count * (LEAST_PACKED if packed else length) > size - offset:
        raise FileError(f"This file claims {count:,} points, but is too short to hold them: it ends early.")


def _points(cloud: laspy.LasReader) -> Iterator[Figures]:
    """Yield its points; as soon as any is said to be ground, only such."""
    grounded = False
    try:
        for part in cloud.chunk_iterator(PIECE):
            figures = np.column_stack([part.x, part.y, part.z]).astype(float)
            ground = np.asarray(part.classification) == GROUND
            grounded = grounded or bool(ground.any())
            yield figures[ground] if grounded else figures
    except (LaspyException, LazrsError, ValueError, OSError) as error:
        raise FileError("This file is damaged: not all of its points can be unpacked.") from error


def write_las(green: GreenOut, file: BinaryIO) -> None:
    """Write the heights of a green's nodes as points on the ground."""
    _write(green, file, packed=False)


def write_laz(green: GreenOut, file: BinaryIO) -> None:
    """Write the same, packed."""
    _write(green, file, packed=True)


def _write(green: GreenOut, file: BinaryIO, *, packed: bool) -> None:
    nodes = green.nodes()
    header = laspy.LasHeader(point_format=6, version="1.4")
    header.scales = np.full(3, SCALE_M)
    header.offsets = np.floor(nodes.min(axis=0))
    if green.system:
        header.add_crs(CRS.from_user_input(green.system))
    cloud = laspy.LasData(header)
    cloud.x, cloud.y, cloud.z = nodes.T
    cloud.classification = np.full(len(nodes), GROUND, dtype=np.uint8)
    cloud.write(file, do_compress=packed)
