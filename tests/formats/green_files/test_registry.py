"""The registry of formats: each is documented, and one more is one entry."""

import io
from pathlib import Path

import pytest

from orthocline.formats.green_files import registry
from orthocline.formats.green_files.registry import FORMATS, GreenFormat, format_of
from orthocline.formats.green_files.source import FileError, Said, Source, Told

DOCS = Path(__file__).parents[3] / "docs/green-files.md"


@pytest.mark.parametrize("name", FORMATS)
def test_each_format_has_its_row_in_the_docs(name):
    one = FORMATS[name]
    (row,) = (line for line in DOCS.read_text().splitlines() if line.startswith(f"| {one.title} |"))
    _, _, suffixes, holds, reads, writes, columns, _ = (cell.strip() for cell in row.split("|"))
    assert suffixes == ", ".join(f"`{suffix}`" for suffix in one.suffixes)
    assert (holds, columns, writes) == (one.holds, one.columns, "yes")
    assert reads == (f"up to {one.largest_bytes // 1_000_000} MB" if one.reads else "no")


def test_one_more_format_is_one_entry(monkeypatch):
    made = GreenFormat("steps", (".steps",), "Steps", "paces", "", "text/plain", __name__)
    monkeypatch.setitem(registry.FORMATS, "steps", made)
    assert format_of("six.STEPS") is made
    assert made.read(io.BytesIO(b"7"), Said()).told.values == 7
    out = io.BytesIO()
    made.write(None, out)
    assert out.getvalue() == b"stepped"


def read(file, _said):
    return Source(Told(values=int(file.read())), iter(()))


def write(_green, file):
    file.write(b"stepped")


def test_a_file_is_known_by_its_name_or_by_how_it_begins():
    assert format_of("A GREEN.TIFF").name == "geotiff"
    assert format_of("cloud.bin", b"LASF\0\0").name == "laz"
    with pytest.raises(FileError, match=r"Known are \.geojson"):
        format_of("notes.doc")
