"""Files that lie, more than fifty, by name; each has to be refused with a sentence, within bounds."""

import gzip
import io
import json
import struct
import warnings
import zipfile

import laspy
import numpy as np
import rasterio
from rasterio.transform import from_origin

HEAD = "ncols {}\nnrows {}\nxllcorner 0\nyllcorner 0\ncellsize {}\nNODATA_value -9999\n"
VRT = (
    '<VRTDataset rasterXSize="9" rasterYSize="9"><VRTRasterBand dataType="Float32" band="1"><SimpleSource>'
    '<SourceFilename relativeToVRT="0">/etc/hostname</SourceFilename></SimpleSource></VRTRasterBand>'
    "</VRTDataset>"
)
ENTITY = '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY b SYSTEM "file:///etc/passwd">]><a>&b;</a>'


def cloud(*, packed=False, scale=1e-3):
    points = np.random.default_rng(3).uniform(0.0, 20.0, (3000, 3))
    header = laspy.LasHeader(point_format=3, version="1.2")
    header.scales, header.offsets = [scale] * 3, [0.0] * 3
    data = laspy.LasData(header)
    data.x, data.y, data.z = points.T
    held = io.BytesIO()
    data.write(held, do_compress=packed)
    return held.getvalue()


def altered(whole, at, kind, *values):
    changed = bytearray(whole)
    struct.pack_into(kind, changed, at, *values)
    return bytes(changed)


def picture(shape=(30, 30), dtype="float32", fill=None, transform=None, **more):
    rows, columns = shape
    profile = {"driver": "GTiff", "width": columns, "height": rows, "count": 1, "dtype": dtype}
    where = from_origin(0.0, 30.0, 1.0, 1.0) if transform is None else transform
    with warnings.catch_warnings(), rasterio.MemoryFile() as memory:
        warnings.simplefilter("ignore")
        with memory.open(**profile, transform=where, **more) as made:
            if fill is not None:
                made.write(np.full(shape, fill, dtype=dtype), 1)
        return memory.read()


def looped(whole):
    """Return a picture whose list of directories never ends: its only one comes after itself."""
    first = struct.unpack_from("<I", whole, 4)[0]
    count = struct.unpack_from("<H", whole, first)[0]
    return altered(whole, first + 2 + 12 * count, "<I", first)


def bomb():
    held = io.BytesIO()
    with zipfile.ZipFile(held, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("heights", b"\0" * 50_000_000)
    return held.getvalue()


def grid(columns=3, rows=3, cell=1.0, body="1 2 3\n4 5 6\n7 8 9\n"):
    return (HEAD.format(columns, rows, cell) + body).encode()


def collection(*geometries, **more):
    features = [{"type": "Feature", "properties": {}, "geometry": one} for one in geometries]
    return json.dumps({"type": "FeatureCollection", "features": features, **more}).encode()


SPARSE = {"tiled": True, "SPARSE_OK": True, "BIGTIFF": "YES"}
LAS, LAZ = cloud(), cloud(packed=True)
RANDOM = np.random.default_rng(9).bytes(50_000)
FILES = {
    # LAS and LAZ: the head is 227 bytes long, its records count at 100, its points at 107.
    "a cut head.las": LAS[:100],
    "cut points.las": LAS[:5000],
    "a thousand million points.las": altered(LAS, 107, "<I", 10**9),
    "a thousand million packed points.laz": altered(LAZ, 107, "<I", 10**9),
    "twice the points.las": altered(LAS, 107, "<I", 6000),
    "no points.las": altered(LAS, 107, "<I", 0),
    "points beyond the end.las": altered(LAS, 96, "<I", 2**31),
    "four thousand million records.las": altered(LAS, 100, "<I", 2**32 - 1),
    "a head of no length.las": altered(LAS, 94, "<H", 0),
    "points of no length.las": altered(LAS, 105, "<H", 0),
    "points of sixty thousand bytes.las": altered(LAS, 105, "<H", 60_000),
    "points of no known kind.las": altered(LAS, 104, "<B", 99),
    "scales that are none.las": altered(LAS, 131, "<3d", *[float("nan")] * 3),
    "scales without end.las": altered(LAS, 131, "<3d", *[1e308] * 3),
    "text.las": b"this is no cloud\n" * 100,
    "noise.las": b"LASF" + RANDOM,
    "noise in the middle.laz": LAZ[:2000] + RANDOM[:4000] + LAZ[6000:],
    "cut in the middle.laz": LAZ[: len(LAZ) // 2],
    "a table of pieces nowhere.laz": altered(LAZ, struct.unpack_from("<I", LAZ, 96)[0], "<q", 2**62),
    "a bomb.laz": bomb(),
    # GeoTIFF
    "another format.tif": VRT.encode(),
    "an entity.tif": ENTITY.encode(),
    "a million million cells.tif": picture((1_000_000, 1_000_000), "uint8", **SPARSE),
    "a hundred million cells.tif": picture((10_000, 10_000), SPARSE_OK=True),
    "one piece.tif": picture((4000, 4000), "float64", 0.0, compress="deflate", blockysize=4000),
    "cut.tif": picture(fill=1.0)[:1500],
    "cut in its cells.tif": picture((200, 200), fill=1.0)[:60_000],
    "noise.tif": RANDOM,
    "noise after its head.tif": b"II*\0\x08\0\0\0" + RANDOM,
    "directories without end.tif": looped(picture(fill=1.0))[:900],
    "nowhere.tif": picture(fill=1.0, transform=rasterio.Affine.identity()),
    "cells of no size.tif": picture(fill=1.0, transform=rasterio.Affine(0.0, 0.0, 5.0, 0.0, 0.0, 5.0)),
    "no figures.tif": picture(fill=float("nan")),
    "only missing.tif": picture(fill=-9999.0, nodata=-9999.0),
    "heights without end.tif": picture(fill=1e30),
    "complex.tif": picture(dtype="complex64", fill=1.0),
    "a bomb.tif": bomb(),
    "packed.tif": gzip.compress(b"\0" * 20_000_000),
    "nothing.tif": b"",
    # ESRI ASCII grid
    "a hundred million cells.asc": grid(10_000, 10_000),
    "ends early.asc": grid(3, 9),
    "more rows than it says.asc": grid(3, 2),
    "less than none.asc": grid(-3, 3),
    "columns without end.asc": grid("1e300", 3),
    "columns that are none.asc": grid("nan", 3),
    "cells of no size.asc": grid(cell=0.0),
    "cells that are none.asc": grid(cell="nan"),
    "nowhere.asc": grid().replace(b"xllcorner 0\n", b""),
    "words.asc": grid(body="1 2 3\n4 over there\n7 8 9\n"),
    "only missing.asc": grid(body="-9999 " * 9),
    "a line without end.asc": grid() + b"7" * 12_000_000,
    "bytes.asc": b"\0" * 4000,
    "nothing.asc": b"",
    # XYZ and CSV
    "two columns.xyz": b"1 2\n3 4\n",
    "words.xyz": b"1 2 3\nthe flag stands here\n1 2 3\n",
    "a line without end.xyz": b"1 2 3\n" + b"1" * 5_000_000,
    "bytes.xyz": b"1 2 3\n\0\0\0\n",
    "no figures.xyz": b"nan nan nan\n" * 50,
    "only remarks.xyz": b"# nothing\n" * 50,
    "no names.csv": b"1,2,3\n4,5,6\n",
    "a column short.csv": b"x,y,z\n1,2,3\n4,5\n",
    "no places on the earth.csv": b"lon,lat,z\n700,900,3\n701,900,3\n",
    # GeoJSON and charts
    "nested without end.geojson": b"[" * 200_000,
    "cut.geojson": collection({"type": "Point", "coordinates": [1, 2, 3]})[:-20],
    "no numbers.geojson": collection({"type": "Point", "coordinates": [1, 2, 3]}).replace(b"3", b"NaN"),
    "no list.geojson": b'{"type": "FeatureCollection", "features": 7}',
    "words for places.geojson": collection({"type": "Polygon", "coordinates": [["here", "there"]]}),
    "a list.geojson": b"[1, 2, 3]",
    "no system.geojson": collection(
        {"type": "Point", "coordinates": [1, 2, 3]}, crs={"properties": {"name": "EPSG:99999999"}}
    ),
    "numbers without end.geojson": collection({"type": "Point", "coordinates": [10**400, 2, 3]}),
    "nothing of a green.geojson": collection({"type": "Point", "coordinates": [1, 2]}),
    "no chart.json": b'{"version": 1, "green": "six"}',
    "of another version.json": b'{"version": 99, "chart": {}}',
    "nested without end.json": b'{"chart":' * 100_000,
}
