"""Files by other tools come back as steep as their formula; what is written opens there again equal."""

import io
import json
import math
from dataclasses import replace
from xml.etree import ElementTree

import laspy
import numpy as np
import pytest
import rasterio
from PIL import Image
from pyproj import Transformer

from orthocline.core.chart import Chart, ChartPin, ChartReading, Known, Wanted, surveyed
from orthocline.core.relief import oval
from orthocline.core.survey import GrainArea, both_slopes
from orthocline.formats.green_features import chart_in
from orthocline.formats.green_files.registry import FORMATS, format_of
from orthocline.formats.green_files.source import FileError, Said
from orthocline.formats.green_files.text import delimiter_of
from orthocline.services.ground.green_files import Understood, file_of, green_out, understand
from orthocline.wording.wording import USUAL_WORDING
from tests.formats.green_files import made
from tests.ternholm import slopes

NEAR = 0.002
"""Slopes come back within 0.2 percent."""
PLACES = np.random.default_rng(7).uniform((3.0, 3.0), (21.0, 17.0), (400, 2))


def taken(path, said=Said(), wanted=Wanted(), onto=Chart()):  # noqa: B008
    steps = list(understand(str(path), format_of(path.name), said, wanted, onto))
    assert all(0.0 <= share <= 1.0 for share in steps[:-1])
    assert isinstance(steps[-1], Understood)
    return steps[-1]


def errors(chart, name="Homeward"):
    """Return how far the slopes of a chart are off the formula, each turned onto the chart."""
    site = chart.site
    places = PLACES + made.CORNER
    if site.system not in ("", made.SYSTEM):
        moving = Transformer.from_crs(made.SYSTEM, site.system, always_xy=True)
        places = np.column_stack(moving.transform(*places.T))
    on = site.onto_chart(places)
    known = Known(surveyed(chart.readings, {}), chart.outline, chart.grain, chart.scan)
    found = known.survey.fit.mean(both_slopes(on)).reshape(2, -1).T
    cos, sin = math.cos(site.up_rad), math.sin(site.up_rad)
    true = slopes(name, PLACES) @ np.array([[cos, -sin], [sin, cos]]).T
    held = chart.outline.holds(on)
    assert held.mean() > 0.7
    return np.hypot(*(found - true)[held].T)


@pytest.mark.parametrize(
    ("write", "name", "said", "up_deg"),
    [
        (made.geotiff, "a.tif", Said(), 70.0),
        (made.ascii_grid, "a.asc", Said(system=made.SYSTEM), 70.0),
        (made.las, "a.laz", Said(), 70.0),
        (made.las, "a.las", Said(), 70.0),
        (made.geojson, "a.geojson", Said(), 70.0),
        (made.xyz, "a.xyz", Said(), 70.0),
        (made.csv, "a.csv", Said(first="east"), 70.0),
        # Once read, all are turned alike.
        (made.geotiff, "a.tif", Said(), 0.0),
        (made.csv, "a.csv", Said(first="east"), 0.0),
    ],
)
def test_a_green_that_others_wrote_has_the_slopes_of_its_formula(tmp_path, write, name, said, up_deg):
    found = taken(write(tmp_path / name), said, Wanted(math.radians(up_deg)))
    assert errors(found.chart).max() < NEAR
    assert found.facts.steepest == pytest.approx(0.054, abs=0.002)
    assert found.facts.hole_share < 0.01
    assert found.chart.outline.front == pytest.approx((0.0, 0.0), abs=1e-3)


def test_a_file_says_its_units_and_its_system(tmp_path):
    us = taken(made.geotiff(tmp_path / "feet.tif", scale=1 / 0.3048, system="EPSG:2225")).facts
    assert (us.unit, us.height_unit, us.says_system) == ("us_feet", "us_feet", True)
    feet = taken(made.csv(tmp_path / "feet.csv")).facts
    assert (feet.height_unit, feet.says_heights, feet.says_system) == ("feet", True, False)
    assert feet.high_m[2] == pytest.approx(30.41, abs=0.01)
    degrees = taken(made.geojson(tmp_path / "degrees.geojson"))
    assert degrees.chart.site.system == "EPSG:32632"
    assert degrees.facts.unit == "degrees"
    both = taken(made.geotiff(tmp_path / "both.tif", system="EPSG:25832+7837")).facts
    assert (both.height_unit, both.says_heights) == ("metres", True)


def test_what_a_file_does_not_say_is_taken_as_it_is_said(tmp_path):
    path = made.xyz(tmp_path / "a.xyz", ";")
    plain = taken(path).facts
    assert (plain.unit, plain.says_system, plain.says_heights) == ("metres", False, False)
    feet = taken(path, Said(unit="feet", height_unit="us_feet")).facts
    assert feet.high_m[0] == pytest.approx(0.3048 * plain.high_m[0])
    assert feet.high_m[2] == pytest.approx(plain.high_m[2] * 1200 / 3937)
    turned = taken(path, Said(first="north")).facts
    assert turned.low_m[:2] == plain.low_m[1::-1]
    with pytest.raises(FileError, match="no longitude and latitude"):
        taken(path, Said(system="EPSG:4326"))


@pytest.mark.parametrize("head", ["x y z", "Easting (m)\tNorthing (m)\tElevation (ft)", '"lat";"lon";"z"'])
def test_points_may_have_a_head_that_names_them(tmp_path, head):
    delimiter = delimiter_of(head) or " "
    places, height = made.scattered(3000), 1.0
    if "lat" in head:
        places[:, :2] = made.degrees(places)[:, ::-1]
    if "ft" in head:
        height = 0.3048
    places[:, 2] /= height
    path = tmp_path / "a.xyz"
    np.savetxt(path, places, fmt="%.9f", delimiter=delimiter, header=head, comments="")
    found = taken(path)
    assert found.facts.values == 3000
    assert found.facts.high_m[2] == pytest.approx(30.41, abs=0.02)
    assert errors(found.chart).mean() < NEAR


def test_only_ground_is_taken_of_a_cloud_that_says_which_is(tmp_path):
    def trees(points):
        return np.where(points[:, 0] > made.EAST + 20.0, 5, 2).astype(np.uint8)

    facts = taken(made.las(tmp_path / "trees.laz", classes=trees)).facts
    assert facts.high_m[0] < made.EAST + 20.001


def test_a_green_of_a_larger_file_is_taken_where_it_is_said_to_lie(tmp_path):
    path = tmp_path / "wide.xyz"
    at = np.random.default_rng(3).uniform(-150.0, 174.0, (60_000, 2))
    heights = made.HEIGHT(at[:, 0], at[:, 1])
    np.savetxt(path, np.column_stack([at + made.CORNER, heights]), fmt="%.4f")
    middle = (made.EAST + 12.0, made.NORTH + 10.0)
    found = taken(path, Said(middle=middle), Wanted(middle=middle, deep_m=18.0, wide_m=22.0))
    assert found.middle == pytest.approx(middle, abs=0.01)
    assert found.facts.values == 60_000
    assert found.chart.outline.area_m2 == pytest.approx(math.pi * 9 * 11, rel=0.02)
    assert np.sqrt(np.mean(errors(found.chart) ** 2)) < 0.004


def test_edge_pins_and_arrows_of_a_geojson_are_charted(tmp_path):
    chart = taken(made.geojson(tmp_path / "a.geojson")).chart
    assert chart.outline.area_m2 == pytest.approx(math.pi * 99, rel=0.01)
    assert len(chart.corners) <= 60
    (pin,) = chart.pins
    assert (pin.name, pin.at_m) == ("back left", pytest.approx((-3.0, 13.0), abs=0.02))
    (arrow,) = chart.readings
    assert (arrow.size, arrow.by) == (pytest.approx(0.012), "arrow")
    # Grid north of the zone that degrees lie in is that of the formula within hundredths of a degree.
    assert arrow.toward_rad == pytest.approx(-0.5 * math.pi, abs=1e-3)
    assert chart.scan is not None


@pytest.fixture(scope="module")
def green(tmp_path_factory):
    """A charted green with one of everything, whose way in lies askew."""
    path = made.las(tmp_path_factory.mktemp("laz") / "a.laz")
    chart = taken(path, wanted=Wanted(math.radians(30.0))).chart
    chart = chart.added("pins", ChartPin((1.0, 9.0), "back")).added("pins", ChartPin((3.0, 4.0), "old", True))
    chart = chart.added("readings", ChartReading((2.0, 5.0), "arrow", -1.2, 0.021, 0.004))
    chart = chart.added("readings", ChartReading((0.0, 8.0), "staff", 0.0, 0.12))
    return chart.added("grain", GrainArea((0.0, 9.0), 4.0, 0.3, 0.08, math.radians(20.0), 0.5))


def written(green, name):
    return file_of(green_out("Homeward", green, USUAL_WORDING), FORMATS[name])


@pytest.mark.parametrize("name", [one.name for one in FORMATS.values() if one.reads])
def test_what_is_written_is_read_again_the_same(tmp_path, green, name):
    path = tmp_path / f"a{FORMATS[name].suffixes[0]}"
    path.write_bytes(written(green, name))
    said = Said() if FORMATS[name].name in ("geotiff", "laz", "las", "geojson") else Said(made.SYSTEM)
    again = taken(path, said, Wanted(green.site.up_rad)).chart
    if name == "geojson":
        assert [(one.name, one.retired) for one in again.pins] == [("back", False), ("old", True)]
        for one, other in zip((*again.pins, *again.readings), (*green.pins, *green.readings), strict=True):
            assert one.at_m == pytest.approx(other.at_m, abs=0.03)
        assert again.readings[0].toward_rad == pytest.approx(green.readings[0].toward_rad, abs=1e-3)
        assert again.readings[0].within == pytest.approx(green.readings[0].within)
        assert again.grain[0].toward_rad == pytest.approx(0.3, abs=1e-3)
        return
    if name == "chart":
        assert (again.site.system, again.site.height_m) == (green.site.system, green.site.height_m)
        assert again.pins == green.pins
        assert again.scan.values(both_slopes(PLACES - (12, 0))) == pytest.approx(
            green.scan.values(both_slopes(PLACES - (12, 0))), abs=1e-4
        )
        return
    assert errors(again).max() < NEAR


def test_other_tools_open_what_is_written(green):
    green = replace(green, readings=())
    with rasterio.MemoryFile(written(green, "geotiff")) as memory, memory.open() as picture:
        assert picture.crs.to_epsg() == 25832
        cells = picture.read(1, masked=True)
        column, row = np.meshgrid(np.arange(picture.width) + 0.5, np.arange(picture.height) + 0.5)
        x, y = picture.transform * (column, row)
    true = made.HEIGHT(x - made.EAST, y - made.NORTH) + made.UP_M
    assert np.abs(cells - true).max() < 0.004
    assert cells.count() * 0.0625 == pytest.approx(green.outline.area_m2, rel=0.02)
    cloud = laspy.read(io.BytesIO(written(green, "laz")))
    assert cloud.header.parse_crs().to_epsg() == 25832
    points = np.column_stack([cloud.x, cloud.y, cloud.z])
    assert len(points) == cells.count()
    held = dict(zip(map(tuple, np.round(points[:, :2], 2).tolist()), points[:, 2].tolist(), strict=True))
    ours = {
        (round(float(a), 2), round(float(b), 2)): float(z)
        for a, b, z, off in zip(x.ravel(), y.ravel(), cells.data.ravel(), cells.mask.ravel(), strict=True)
        if not off
    }
    assert held == pytest.approx(ours, abs=1e-4)
    for name in ("xyz", "csv"):
        lines = written(green, name).decode().replace(",", " ").splitlines()
        figures = np.loadtxt(lines[1:] if name == "csv" else lines)
        assert figures == pytest.approx(points[np.lexsort(points.T[:2])], abs=1e-3)


def test_geojson_is_in_degrees_as_the_format_has_it(green):
    told = json.loads(written(green, "geojson"))
    (lon, lat), *_ = told["features"][0]["geometry"]["coordinates"][0]
    assert (8.5 < lon < 10.5, 53.0 < lat < 54.0) == (True, True)
    ring = told["features"][0]["geometry"]["coordinates"][0]
    assert ring[0] == ring[-1]
    local = json.loads(
        file_of(green_out("x", Chart(oval(20.0, 24.0).corners), USUAL_WORDING), FORMATS["geojson"])
    )
    assert local["places_in"] == "metres of a chart"


def test_the_map_is_a_drawing_and_a_picture(green):
    root = ElementTree.fromstring(written(green, "svg"))
    assert any(one.text == "back" for one in root.iter())
    picture = Image.open(io.BytesIO(written(green, "png"))).convert("RGB")
    assert picture.width == 1240
    colours = {colour for count, colour in picture.getcolors(1 << 20) if count > 500}
    assert {(0xED, 0xEE, 0xDD), (0x1F, 0x5F, 0xA8), (0xF6, 0xF1, 0xE7)} <= colours


def test_a_green_of_which_nothing_is_read_has_no_heights_to_write():
    empty = Chart(oval(20.0, 24.0).corners)
    with pytest.raises(FileError, match="no heights"):
        file_of(green_out("x", empty, USUAL_WORDING), FORMATS["asc"])
    with pytest.raises(FileError, match="no edge"):
        green_out("x", Chart(), USUAL_WORDING)


def test_a_chart_is_added_to_where_it_lies(tmp_path, green):
    onto = taken(made.geotiff(tmp_path / "a.tif"), onto=green).chart
    assert (onto.site, onto.corners, onto.pins) == (green.site, green.corners, green.pins)
    assert onto.scan is not green.scan
    more = taken(made.geojson(tmp_path / "a.geojson"), onto=green).chart
    assert [pin.name for pin in more.pins] == ["back", "old", "back left"]
    path = tmp_path / "own.geojson"
    path.write_bytes(written(more, "geojson"))
    again = taken(path, onto=more).chart
    assert [len(again.part(part)) for part in ("pins", "readings", "grain")] == [3, 3, 1]


@pytest.mark.parametrize(
    ("places", "says"),
    [
        ([(0, 0), (0, 0), (0, 0), (0, 0)], "fewer than three|no room within"),
        ([(0, 0), (40, 0), (20, 0)], "no room within"),
        ([(0, 0), (9_000_000, 0), (0, 9_000_000)], "more than 120 metres across"),
        ([(0, 0), (9, 9)], "fewer than three"),
    ],
)
def test_an_edge_that_is_no_green_is_refused(tmp_path, places, says):
    path = tmp_path / "a.geojson"
    polygon = {"type": "Polygon", "coordinates": [places]}
    path.write_text(json.dumps({"type": "Feature", "properties": {}, "geometry": polygon}))
    with pytest.raises(FileError, match=says):
        taken(path, Said(unit="metres"))


@pytest.mark.parametrize("count", [1, 5, 2000])
def test_heights_in_one_line_are_no_green(tmp_path, count):
    path = tmp_path / "a.xyz"
    np.savetxt(path, np.column_stack([np.linspace(0, 20, count)] * 3))
    with pytest.raises(FileError, match="in one line"):
        taken(path)


def test_features_may_be_called_json_too(tmp_path):
    chart = taken(made.geojson(tmp_path / "a.json", 400)).chart
    assert [pin.name for pin in chart.pins] == ["back left"]


def test_members_that_are_no_figures_are_passed_over(tmp_path):
    path = tmp_path / "a.geojson"
    told = json.loads(made.geojson(path, 400).read_text())
    told["features"][-1]["properties"] |= {"percent": "steep", "by": 7, "falls_toward_deg": ["north"]}
    path.write_text(json.dumps(told))
    assert taken(path).chart.readings[0].size is None


def test_a_damaged_chart_says_which_member_is_wrong(tmp_path, green):
    told = json.loads(written(green, "chart"))
    told["chart"]["pins"][1]["at_m"] = [900, 2]
    path = tmp_path / "a.json"
    path.write_text(json.dumps(told))
    with pytest.raises(FileError, match="pins 2 at_m 1"):
        taken(path)
    assert chart_in([]) is None
