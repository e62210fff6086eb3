"""Rules of the house that are easy to forget: sizes, docs that name everything, pictures that exist."""

import ast
import importlib
import importlib.util
import re
import subprocess
from pathlib import Path

import pytest

from orthocline.cli.database import database
from orthocline.cli.main import COMMANDS

ROOT = Path(__file__).parents[1]
SOURCES = sorted((ROOT / "src").rglob("*.py"))
MIGRATIONS = ROOT / "src/orthocline/db/migrations"


def functions(path):
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef):
            body = node.body[1:] if ast.get_docstring(node) else node.body
            yield node.name, node.end_lineno - body[0].lineno + 1 if body else 0


def test_no_file_is_long():
    files = [p for part in ("src", "tests", "scripts", "benchmarks") for p in (ROOT / part).rglob("*.py")]
    assert [p.name for p in files if len(p.read_text().splitlines()) > 400] == []


def test_no_function_is_long():
    long = [
        f"{path.name}:{name}"
        for path in SOURCES
        if MIGRATIONS not in path.parents
        for name, lines in functions(path)
        if lines > 60
    ]
    assert long == []


def test_every_room_of_the_core_has_a_door_of_few_names_and_says_what_it_is():
    for room in sorted(path.parent for path in (ROOT / "src/orthocline/core").glob("*/__init__.py")):
        door = importlib.import_module(f"orthocline.core.{room.name}")
        assert (room / "README.md").exists(), room
        assert door.__doc__, room
        assert 0 < len(door.__all__) <= 40, room
        assert len(set(door.__all__)) == len(door.__all__), room


@pytest.mark.parametrize(
    "layer", ["core", "db", "formats", "wording", "drawing", "services", "web", "cli", "jobs"]
)
def test_every_layer_says_what_it_is(layer):
    assert (ROOT / "src/orthocline" / layer / "README.md").exists()


def test_the_linter_knows_every_feature_and_every_room():
    contracts = (ROOT / "pyproject.toml").read_text()
    features = {path.parent.name for path in (ROOT / "src/orthocline/web").glob("*/routes.py")}
    rooms = {path.parent.name for path in (ROOT / "src/orthocline/core").glob("*/__init__.py")}
    assert {name for name in features if f'"orthocline.web.{name}"' not in contracts} == set()
    assert {name for name in rooms if f'"orthocline.core.{name}.*"' not in contracts} == set()


def test_the_drawn_structure_is_what_the_imports_are():
    spec = importlib.util.spec_from_file_location("draw_structure", ROOT / "scripts/draw_structure.py")
    script = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(script)
    assert script.drawing() == (ROOT / "docs/structure.svg").read_text(), "run `make structure`"


def test_what_the_structure_says_is_there():
    page = (ROOT / "docs/structure.md").read_text()
    assert "structure.svg" in page
    for path in re.findall(r"`([a-z_]+/[a-z_/]+\.py)`", page):
        floors = [ROOT / "src/orthocline" / path, ROOT / path]
        rooms = [ROOT / "src/orthocline" / floor / path for floor in ("core", "wording", "drawing")]
        assert any(place.exists() for place in (*floors, *rooms)), path


def test_docs_name_every_command_and_setting():
    docs = (ROOT / "docs/commands.md").read_text()
    targets = re.findall(r"^([a-z]+):", (ROOT / "Makefile").read_text(), re.MULTILINE)
    settings = {
        name
        for path in SOURCES
        for name in re.findall(r"\"((?:ORTHOCLINE_|DATABASE_)[A-Z_]+)\"", path.read_text())
    }
    for name in [*targets, *COMMANDS, *database.commands, *settings]:
        assert name in docs, name


def test_pictures_are_linked_and_exist():
    readme = (ROOT / "README.md").read_text()
    linked = set(re.findall(r"docs/screenshots/([a-z-]+\.png)", readme))
    assert linked == {p.name for p in (ROOT / "docs/screenshots").glob("*.png")}
    assert {"today.png", "read.png", "read-phone.png", "figures.png"} <= linked


def test_no_address_of_a_registry_is_kept():
    kept = subprocess.run(["git", "ls-files"], cwd=ROOT, capture_output=True, text=True, check=True).stdout
    for name in ("requirements.lock", "requirements-dev.lock", "package-lock.json", "pyproject.toml"):
        assert name in kept
        assert not re.search(r"--index-url|--find-links|\"resolved\"", (ROOT / name).read_text())


def test_the_readme_has_the_table_that_make_bench_writes():
    text = (ROOT / "README.md").read_text(encoding="utf-8")
    table = re.search(r"<!-- what `make bench` measured -->\n(.*?)<!-- end -->", text, re.DOTALL)[1]
    rows = re.findall(r"^\| (?!measured|---)(.*) \|$", table, re.MULTILINE)
    held, whole = map(int, re.search(r"(\d+) of (\d+) are as asked", table).groups())
    assert len(rows) == whole > 60
    assert whole - held == sum("**missed**" in one for one in rows)
