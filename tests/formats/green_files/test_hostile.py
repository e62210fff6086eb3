"""Files that lie are refused with a sentence, within bounds, and nothing is left."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

from orthocline.formats.green_files.apart import READING, read_apart
from orthocline.formats.green_files.registry import format_of
from orthocline.formats.green_files.source import FileError, Said
from tests.formats.green_files import made
from tests.formats.green_files.hostile import FILES

MOST_KB = 200_000


@pytest.mark.parametrize("name", FILES)
def test_a_file_that_lies_is_refused_with_a_sentence(tmp_path, name):
    path = tmp_path / name
    path.write_bytes(FILES[name])
    with pytest.raises(FileError) as refused:
        list(read_apart(str(path), format_of(name, FILES[name][:16]).name, Said()))
    said = str(refused.value)
    assert said.endswith(".")
    assert "Error" not in said
    assert str(tmp_path) not in said
    assert os.listdir(tmp_path) == [name]


def test_reading_them_took_no_more_memory_than_is_allowed(tmp_path):
    path = tmp_path / "a.tif"
    for name in ("one piece.tif", "a hundred million cells.tif", "a line without end.asc", "a bomb.laz"):
        path.write_bytes(FILES[name])
        told = subprocess.run(
            [sys.executable, "-c", MEASURE, str(path), format_of(name).name],
            capture_output=True,
            text=True,
            check=True,
        )
        assert int(told.stdout) < MOST_KB, name


def test_a_reading_that_is_left_ends_at_once(tmp_path):
    """Its process is gone as soon as nobody waits for it."""
    reading = read_apart(str(made.las(tmp_path / "a.laz", 400_000)), "laz", Said())
    assert next(reading) < 1.0
    (child,) = readers()
    reading.close()
    assert readers() == []
    assert not Path(f"/proc/{child}").exists()


def readers():
    told = Path(f"/proc/{os.getpid()}/task/{os.getpid()}/children").read_text().split()
    return [pid for pid in told if READING in Path(f"/proc/{pid}/cmdline").read_text()]


MEASURE = """
import resource, subprocess, sys
from orthocline.formats.green_files.apart import read_apart
from orthocline.formats.green_files.source import FileError, Said
try:
    list(read_apart(sys.argv[1], sys.argv[2], Said()))
except FileError:
    print(resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss)
"""


def test_the_process_that_reads_a_file_knows_of_no_database_and_no_secret(tmp_path, monkeypatch):
    for name in ("DATABASE_URL", "ORTHOCLINE_SECRET", "REDIS_URL"):
        monkeypatch.setenv(name, "a secret")
    known = []
    started = subprocess.Popen
    monkeypatch.setattr(
        subprocess, "Popen", lambda *a, **more: known.append(more["env"]) or started(*a, **more)
    )
    list(read_apart(str(made.ascii_grid(tmp_path / "nine.asc")), "asc", Said()))
    assert "a secret" not in known[0].values()
