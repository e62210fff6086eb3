"""`make sbom`: what ships, with versions and licence texts, as CycloneDX in `var/orthocline.cdx.json`.

The Python packages are those of an environment with `requirements.lock` alone. Scripts, styles and fonts
come from those that package.json depends on. A package's texts are those that it brings along.
"""

import json
import subprocess
import sys
from collections.abc import Iterator
from importlib.metadata import Distribution
from pathlib import Path
from typing import Any

from cyclonedx.schema import SchemaVersion
from cyclonedx.validation.json import JsonStrictValidator

from orthocline.db.server.settings import var_folder

ROOT = Path(__file__).parents[1]
BIN = ROOT / ".venv/bin"
LICENCES = ROOT / "src/orthocline/web/static/licences"
TEXTS = ("licen", "copying", "notice", "authors")
"""How the names of files begin that say who made a package, and what may be done with it."""


def environment(folder: Path) -> Path:
    """Return the Python of an environment with what the application needs, and nothing else."""
    uv, python = BIN / "uv", folder / "bin/python"
    install = [uv, "pip", "install", "-q", "--python", python]
    subprocess.run([uv, "venv", "-q", "--clear", folder], check=True)
    subprocess.run([*install, "--require-hashes", "-r", "requirements.lock"], check=True, cwd=ROOT)
    return python


def sbom_of(python: Path) -> dict[str, Any]:
    """Return what an environment has and what is shipped beside it."""
    told = ["--pyproject", "pyproject.toml", "--output-reproducible", "--no-validate", "-o", "-"]
    done = subprocess.run(
        [BIN / "cyclonedx-py", "environment", *told, python], check=True, cwd=ROOT, capture_output=True
    )
    bom: dict[str, Any] = json.loads(done.stdout)
    (packages,) = python.parents[1].glob("lib/python*/site-packages")
    texts = {dist.name: list(texts_of(dist)) for dist in Distribution.discover(path=[str(packages)])}
    for component in bom["components"]:
        component["evidence"] = {"licenses": texts[component["name"]]}
    bom["components"] += shipped()
    return bom


def texts_of(dist: Distribution) -> Iterator[dict[str, Any]]:
    """Yield the texts that a Python package brings along about its licence."""
    for file in dist.files or ():
        if file.parts[0].endswith(".dist-info") and file.name.lower().startswith(TEXTS):
            yield licence(file.name, file.read_text(encoding="utf-8"))


def licence(name: str, text: str) -> dict[str, Any]:
    """Return a licence with its text, as CycloneDX has it."""
    return {"license": {"name": name, "text": {"content": text}}}


def shipped() -> list[dict[str, Any]]:
    """Return the packages that scripts, styles and fonts come from."""
    packages = json.loads((ROOT / "package-lock.json").read_text())["packages"]
    asked = json.loads((ROOT / "package.json").read_text())["dependencies"]
    return [component(name, packages[f"node_modules/{name}"]) for name in asked]


def component(name: str, package: dict[str, str]) -> dict[str, Any]:
    """Return a package of the lock, as CycloneDX has it."""
    group, _, short = name.rpartition("/")
    text = (LICENCES / f"{short}.txt").read_text(encoding="utf-8")
    purl = f"pkg:npm/{name.replace('@', '%40')}@{package['version']}"
    return {
        "type": "library",
        "bom-ref": purl,
        **({"group": group} if group else {}),
        "name": short,
        "version": package["version"],
        "purl": purl,
        "licenses": [{"license": {"id": package["license"]}}],
        "evidence": {"licenses": [licence("LICENSE", text)]},
    }


def main() -> None:
    """Write it."""
    bom = sbom_of(environment(var_folder() / "sbom"))
    told = json.dumps(bom, indent=1)
    wrong = JsonStrictValidator(SchemaVersion.V1_6).validate_str(told)
    if wrong:
        sys.exit(f"not as CycloneDX has it: {wrong}")
    to = var_folder() / "orthocline.cdx.json"
    to.write_text(told + "\n", encoding="utf-8")
    print(f"{to}: {len(bom['components'])} packages")


if __name__ == "__main__":
    main()
