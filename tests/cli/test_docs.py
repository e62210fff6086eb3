"""The commands of the docs, as they are written there."""

import json
import os
import re
import subprocess
from pathlib import Path

import numpy as np
import pytest
import rasterio
from rasterio.transform import from_origin

from orthocline.cli.main import main

ROOT = Path(__file__).parents[2]
PAGES = {
    str(path.relative_to(ROOT)): path.read_text(encoding="utf-8")
    for path in (ROOT / "README.md", *sorted((ROOT / "docs").rglob("*.md")))
}
BLOCKS = [
    (page, told)
    for page, text in PAGES.items()
    for kind, told in re.findall(r"^```(\w*)\n(.*?)^```$", text, re.DOTALL | re.MULTILINE)
    if kind in ("", "sh")
]
ELSEWHERE = {
    "make run\n": "tests/web/test_serving.py, after what `make test` installs too",
    "make test\n": "this run",
    "openssl": "tests/web/test_over_tls.py",
    "--tls-cert": "tests/web/test_over_tls.py",
    "runuser": "make machines",
    "export ORTHOCLINE_SECRET": "make machines",
    "dask": "make machines",
}
"""Blocks of commands that are run as they stand, but not here, by what they hold."""
NO_COMMANDS = ("at,outing,kind", "TLS")
"""Blocks without a command: a table, a drawing."""


def blocks(page, holding):
    """Return the one block of a page that holds some words."""
    (told,) = (block for one, block in BLOCKS if one == page and holding in block)
    return told


@pytest.fixture
def folder(tmp_path):
    """A folder with the files that the docs speak of, and what was installed."""
    (tmp_path / ".venv").symlink_to(ROOT / ".venv")
    document = re.search(r"```json\n(.*?)```", PAGES["docs/putt-document.md"], re.S)[1]
    (tmp_path / "putt.json").write_text(document)
    (tmp_path / "putts.jsonl").write_text(2 * (json.dumps(json.loads(document)) + "\n"))
    rows, columns = np.mgrid[0:40, 0:40]
    heights = (10.0 + 0.01 * rows + 0.005 * columns).astype("float32")
    kind = {"driver": "GTiff", "width": 40, "height": 40, "count": 1, "dtype": "float32"}
    with rasterio.open(
        tmp_path / "survey.tif", "w", crs="EPSG:32630", transform=from_origin(5e5, 6e6, 0.5, 0.5), **kind
    ) as file:
        file.write(heights, 1)
    return tmp_path


def run(told, folder, **more):
    """Run commands as they are written; return what they say."""
    path = f"{ROOT}/.venv/bin:{os.environ['PATH']}"
    done = subprocess.run(
        ["bash", "-ec", told],
        cwd=folder,
        env=os.environ | {"PATH": path} | more,
        capture_output=True,
        text=True,
        check=False,
    )
    assert done.returncode == 0, done.stderr
    return done.stdout


def test_the_commands_of_the_readme(folder):
    said = run(blocks("README.md", "orthocline read"), folder)
    assert "Aim" in said
    assert said.count('"version"') == 3
    assert (folder / "putt.svg").read_text().startswith("<svg")
    assert json.loads((folder / "green.json").read_text())
    assert (folder / "green.laz").read_bytes().startswith(b"LASF")


def test_the_commands_about_misses(folder):
    putt = json.loads(re.search(r"```json\n(.*?)```", PAGES["docs/misses.md"], re.S)[1])
    (folder / "putts.jsonl").write_text(3 * (json.dumps(putt) + "\n"))
    told = [json.loads(line) for line in run(blocks("docs/misses.md", "diagnose"), folder).splitlines()]
    assert len(told) == 4
    assert [set(one) >= {"cause", "drops_if"} for one in told] == 3 * [True] + [False]


def test_a_backup_is_made_and_brought_back(folder, copy_demo, cluster):
    make, restore = blocks("docs/running.md", "backup").splitlines()
    run(make, folder, DATABASE_URL=copy_demo("orthocline_docs"))
    cluster.create_database("orthocline_docs_back", fresh=True)
    run(restore, folder, DATABASE_URL=cluster.url("orthocline_docs_back"))
    with cluster.connect("orthocline_docs_back") as connection:
        assert connection.execute("SELECT count(*) FROM golfers").fetchone()[0] > 0


def test_every_block_of_commands_is_run():
    here = {blocks("README.md", "orthocline read"), blocks("docs/misses.md", "diagnose")}
    here.add(blocks("docs/running.md", "orthocline backup"))
    left = [
        (page, told)
        for page, told in BLOCKS
        if told not in here and not any(word in told for word in (*ELSEWHERE, *NO_COMMANDS))
    ]
    assert left == []


def test_every_command_that_is_named_is_there():
    targets = set(re.findall(r"^([a-z]+):", (ROOT / "Makefile").read_text(), re.MULTILINE))
    for page, text in PAGES.items():
        assert set(re.findall(r"`make ([a-z]+)", text)) <= targets, page
        for told in re.findall(r"`(?:\.venv/bin/)?orthocline ([a-z][^`]*)`", text):
            group, *words = told.split()
            command = main.get_command(None, group)
            if words and words[0] in getattr(command, "commands", {}):
                command = command.commands[words[0]]
            known = {option for one in command.params for option in one.opts}
            assert {word for word in words if word.startswith("--")} <= known, (page, told)
