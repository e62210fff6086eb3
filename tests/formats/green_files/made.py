"""Files of a green as other tools write them: rasterio, laspy and plain text, by the formula of Homeward."""

import json

import laspy
import numpy as np
import rasterio
from pyproj import CRS, Transformer
from rasterio.transform import from_origin

from tests.ternholm import HEIGHTS

EAST, NORTH, UP_M = 565_000.0, 5_930_000.0, 30.0
CORNER = np.array([EAST, NORTH])
"""Where the green's corner lies in the zone, and how high."""
SYSTEM = "EPSG:25832"
SPACING_M = 0.5
HEIGHT = HEIGHTS["Homeward"]


def lattice(spacing_m=SPACING_M):
    """Return even places over the green, row by row from below, and how many columns and rows."""
    x, y = np.arange(-1.0, 25.0 + 1e-9, spacing_m), np.arange(-1.0, 21.0 + 1e-9, spacing_m)
    return np.stack(np.meshgrid(x, y), axis=-1), (len(x), len(y))


def heights(places):
    return HEIGHT(places[..., 0], places[..., 1]) + UP_M


def scattered(count=12_000, seed=1):
    at = np.random.default_rng(seed).uniform((-1.0, -1.0), (25.0, 21.0), (count, 2))
    return np.column_stack([at + CORNER, heights(at)])


def geotiff(path, spacing_m=SPACING_M, scale=1.0, system=SYSTEM, **more):
    places, (columns, rows) = lattice(spacing_m)
    left, top = EAST - 1.0 - 0.5 * spacing_m, NORTH + places[-1, 0, 1] + 0.5 * spacing_m
    profile = {"driver": "GTiff", "width": columns, "height": rows, "count": 1, "dtype": "float32"}
    where = from_origin(scale * left, scale * top, scale * spacing_m, scale * spacing_m)
    with rasterio.open(path, "w", crs=system, transform=where, nodata=-9999.0, **profile, **more) as picture:
        picture.write((scale * heights(places)[::-1]).astype("float32"), 1)
    return path


def ascii_grid(path, spacing_m=SPACING_M):
    places, (columns, rows) = lattice(spacing_m)
    head = {
        "ncols": columns,
        "nrows": rows,
        "xllcorner": EAST - 1.0 - 0.5 * spacing_m,
        "yllcorner": NORTH - 1.0 - 0.5 * spacing_m,
        "cellsize": spacing_m,
        "NODATA_value": -9999,
    }
    with path.open("w") as file:
        file.writelines(f"{name} {said}\n" for name, said in head.items())
        np.savetxt(file, heights(places)[::-1], fmt="%.5f")
    return path


def las(path, count=12_000, system=SYSTEM, classes=None):
    points = scattered(count)
    header = laspy.LasHeader(point_format=6, version="1.4")
    header.scales, header.offsets = [1e-4] * 3, [EAST, NORTH, 0.0]
    if system:
        header.add_crs(CRS.from_user_input(system))
    cloud = laspy.LasData(header)
    cloud.x, cloud.y, cloud.z = points.T
    cloud.classification = np.full(count, 2, np.uint8) if classes is None else classes(points)
    cloud.write(path)
    return path


def degrees(points):
    """Return places of the zone as longitude and latitude."""
    moving = Transformer.from_crs(SYSTEM, "EPSG:4326", always_xy=True)
    return np.column_stack(moving.transform(points[:, 0], points[:, 1]))


def point(place, **properties):
    geometry = {"type": "Point", "coordinates": list(place)}
    return {"type": "Feature", "properties": properties, "geometry": geometry}


def geojson(path, count=6_000):
    points = scattered(count)
    features = [
        point((*at, z)) for at, z in zip(degrees(points).tolist(), points[:, 2].tolist(), strict=True)
    ]
    turns = np.linspace(0.0, 2.0 * np.pi, 97)
    ring = np.column_stack([EAST + 12.0 + 11.0 * np.cos(turns), NORTH + 10.0 + 9.0 * np.sin(turns)])
    edge = {"type": "Polygon", "coordinates": [degrees(ring).tolist()]}
    features.append({"type": "Feature", "properties": {"surface": "green"}, "geometry": edge})
    pin = degrees(np.array([(EAST + 9.0, NORTH + 14.0)]))[0].tolist()
    features.append(point(pin, name="back left"))
    line = degrees(np.array([(EAST + 21.0, NORTH + 6.0), (EAST + 21.0, NORTH + 5.0)])).tolist()
    arrow = {"type": "LineString", "coordinates": line}
    features.append({"type": "Feature", "properties": {"percent": 1.2}, "geometry": arrow})
    path.write_text(json.dumps({"type": "FeatureCollection", "features": features}))
    return path


def xyz(path, delimiter=" ", count=12_000):
    np.savetxt(path, scattered(count), fmt="%.4f", delimiter=delimiter)
    return path


def csv(path, head="northing,easting,height (ft)", feet=0.3048):
    x, y, z = scattered().T
    np.savetxt(path, np.column_stack([y, x, z / feet]), fmt="%.5f", delimiter=",", header=head, comments="")
    return path
