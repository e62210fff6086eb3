"""What ships of others: named, with its licence's text, and in the list that `make sbom` writes."""

import importlib.util
import json
import re
from pathlib import Path

import pytest
from cyclonedx.schema import SchemaVersion
from cyclonedx.validation.json import JsonStrictValidator

from tests.locked import locked

ROOT = Path(__file__).parents[1]
STATIC = ROOT / "src/orthocline/web/static"
LOCKED = json.loads((ROOT / "package-lock.json").read_text())["packages"]
SHIPPED = json.loads((ROOT / "package.json").read_text())["dependencies"]
SAYS = {
    "0BSD": "without fee",
    "ISC": "with or without fee",
    "MIT": "without restriction",
    "OFL-1.1": "SIL OPEN FONT",
}


@pytest.fixture(scope="module")
def sbom():
    spec = importlib.util.spec_from_file_location("sbom", ROOT / "scripts/sbom.py")
    script = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(script)
    return script.sbom_of(ROOT / ".venv/bin/python")


def test_each_package_of_the_browsers_part_is_named_with_its_version_and_licence():
    page = (ROOT / "docs/licences.md").read_text(encoding="utf-8")
    rows = re.findall(r"^\| (\S+) \| ([\d.]+) \| (\S+) \|", page, re.MULTILINE)
    locked = {name: LOCKED[f"node_modules/{name}"] for name in SHIPPED}
    assert rows == [(name, one["version"], one["license"]) for name, one in locked.items()]


@pytest.mark.parametrize("name", SHIPPED)
def test_its_text_ships(name):
    text = (STATIC / f"licences/{name.rpartition('/')[2]}.txt").read_text(encoding="utf-8")
    assert SAYS[LOCKED[f"node_modules/{name}"]["license"]] in " ".join(text.split())


def test_the_list_has_all_that_is_installed_and_shipped_with_texts(sbom):
    versions = {re.sub(r"[-_.]+", "-", one["name"]).lower(): one["version"] for one in sbom["components"]}
    wanted = locked((ROOT / "requirements.lock").read_text())
    wanted |= {name.rpartition("/")[2].replace(".", "-"): version for name, version in SHIPPED.items()}
    assert {name: versions.get(name) for name in wanted} == wanted
    texts = {one["name"]: one["evidence"]["licenses"] for one in sbom["components"]}
    assert "Redistribution" in texts["Flask"][0]["license"]["text"]["content"]
    assert "SIL OPEN FONT" in texts["fraunces"][0]["license"]["text"]["content"]


def test_the_list_is_as_the_format_has_it(sbom):
    few = [one for one in sbom["components"] if one["name"] in ("Flask", "fraunces", "htmx.org")]
    told = {**sbom, "components": few, "dependencies": []}
    assert JsonStrictValidator(SchemaVersion.V1_6).validate_str(json.dumps(told)) is None
