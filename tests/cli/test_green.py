"""`orthocline green`: a file into a chart and back, with what was understood, or why not."""

import json

import pytest
from click.testing import CliRunner

from orthocline.cli.main import main
from tests.formats.green_files import made


def run(*args):
    return CliRunner().invoke(main, ["green", *map(str, args)])


def test_a_file_becomes_a_chart_and_a_chart_a_file(tmp_path):
    done = run("import", made.geotiff(tmp_path / "six.tif"), "-o", tmp_path / "six.json", "--up", 70)
    assert done.exit_code == 0
    assert "ETRS89 / UTM zone 32N, as the file says" in done.output
    assert "up to 5.4 % steep" in done.output
    assert json.loads((tmp_path / "six.json").read_text())["chart"]["site"]["up_deg"] == 70.0
    for suffix in ("asc", "laz", "geojson", "svg", "png"):
        assert run("export", tmp_path / "six.json", tmp_path / f"six.{suffix}").exit_code == 0
        assert (tmp_path / f"six.{suffix}").stat().st_size > 400
    coarse = run("export", tmp_path / "six.json", tmp_path / "coarse.xyz", "--spacing", 2)
    assert coarse.exit_code == 0
    assert 60 < len((tmp_path / "coarse.xyz").read_text().splitlines()) < 120


def test_what_is_said_counts_and_a_file_is_added_to_a_chart(tmp_path):
    path = made.ascii_grid(tmp_path / "six.asc")
    size = ("--middle", made.EAST + 12, made.NORTH + 10, "--deep", 16, "--wide", 18)
    done = run("import", path, "--system", made.SYSTEM, *size, "-o", tmp_path / "six.json")
    assert "ETRS89 / UTM zone 32N, as you say" in done.output
    more = run("import", made.geojson(tmp_path / "six.geojson"), "--onto", tmp_path / "six.json")
    assert "The chart has 1 pin and 1 reading." in more.output
    steep = run("import", path, "--unit", "millimetres", "--height-unit", "metres")
    assert steep.exit_code == 1
    tilted = run("import", path, "--unit", "feet", "--height-unit", "metres", "--wide", 6, "--deep", 5)
    assert "steeper than greens are" in tilted.output


@pytest.mark.parametrize(
    ("name", "content", "says"),
    [
        ("a.doc", b"words", "not known here"),
        ("a.png", b"picture", "only written here"),
        ("a.tif", b"II*\0", "no GeoTIFF"),
    ],
)
def test_a_file_that_is_not_taken_says_why(tmp_path, name, content, says):
    (tmp_path / name).write_bytes(content)
    done = run("import", tmp_path / name)
    assert done.exit_code == 1
    assert says in done.stderr
    assert run("export", tmp_path / name, tmp_path / "b.tif").exit_code == 1
