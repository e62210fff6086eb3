"""An archive as the tests make one, read one, and change one behind its back."""

import hashlib
import io
import json
import warnings
import zipfile

from orthocline.services.carry.archive import archived
from orthocline.services.jobs.task import Task


def archive_of(viewer, session):
    """Return a golfer's archive."""
    return b"".join(made.content for made in archived(viewer, session, Task()))


def rows_in(archive, table):
    """Return the rows of a table of an archive."""
    with zipfile.ZipFile(io.BytesIO(archive)) as whole:
        return [json.loads(line) for line in whole.read(f"{table}.jsonl").splitlines()]


def manifest_of(archive):
    """Return what an archive says of itself."""
    with zipfile.ZipFile(io.BytesIO(archive)) as whole:
        return json.loads(whole.read("manifest.json"))


def changed(archive, table="", lines=lambda lines: lines, manifest=lambda told: told, more=()):
    """Return an archive with other lines in a table, its sums made right again, and other words of itself."""
    with zipfile.ZipFile(io.BytesIO(archive)) as whole:
        files = {name: whole.read(name) for name in whole.namelist()}
    told = json.loads(files.pop("manifest.json"))
    if table:
        now = lines(files[f"{table}.jsonl"].splitlines(keepends=True))
        files[f"{table}.jsonl"] = b"".join(now)
        sums = hashlib.sha256(files[f"{table}.jsonl"]).hexdigest()
        told["tables"][table] = {"rows": len(now), "sha256": sums}
    files["manifest.json"] = json.dumps(manifest(told)).encode()
    return zipped([*files.items(), *more])


def zipped(files, packing=zipfile.ZIP_DEFLATED):
    """Return a zip of files by their names."""
    held = io.BytesIO()
    with warnings.catch_warnings(action="ignore"), zipfile.ZipFile(held, "w", packing) as whole:
        for name, content in files:
            whole.writestr(name, content)  # a name that is there twice is warned of
    return held.getvalue()


def member(name, value):
    """Return what sets a member of the first line of a table."""

    def set_it(lines):
        row = json.loads(lines[0])
        row[name] = value
        return [json.dumps(row).encode() + b"\n", *lines[1:]]

    return set_it
