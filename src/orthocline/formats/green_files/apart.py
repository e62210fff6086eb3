"""Read a file in a process of its own, which can be ended any time and takes nothing along when it dies."""

import json
import os
import subprocess
import sys
from collections.abc import Iterator
from dataclasses import asdict, dataclass
from io import BufferedReader
from typing import Any, Final

import numpy as np

from orthocline.formats.green_files.source import Feature, Figures, FileError, Said

READING: Final = "orthocline.formats.green_files.reading"
KNOWN: Final = ("PATH", "LANG", "VIRTUAL_ENV", "PYTHONPATH")
"""All that it learns of where it runs: not where the database is, nor any secret."""
DAMAGED: Final = "This file is damaged, or not what its name says: reading it was given up."


@dataclass(frozen=True)
class Read:
    """What was read of a file.

    Attributes
    ----------
    told : dict
        What it says, and how that was taken: system, called, unit, height_unit, whether each `is said` by
        the file, values, count, spacing, notes, low and high [m].
    points : ndarray
        Places and heights [m], shape (n, 3).
    features : list of Feature
        Places in metres.
    """

    told: dict[str, Any]
    points: Figures
    features: list[Feature]


def read_apart(path: str, name: str, said: Said) -> Iterator[float | Read]:
    """Read a file in another process.

    Parameters
    ----------
    path : str
        The file.
    name : str
        Its format in the registry.
    said : Said
        What is said of it.

    Yields
    ------
    float or Read
        The share of it that is read, now and then; at last what was read.

    Raises
    ------
    FileError
        For a file that is not taken.
    """
    command = [sys.executable, "-m", READING, name, path, json.dumps(asdict(said))]
    known = {name: os.environ[name] for name in KNOWN if name in os.environ}
    with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, env=known) as child:
        assert isinstance(child.stdout, BufferedReader)
        try:
            yield from _followed(child.stdout)
        finally:
            child.kill()


def _followed(pipe: BufferedReader) -> Iterator[float | Read]:
    """Yield what another process says, up to its end."""
    while line := pipe.readline():
        told = json.loads(line)
        if "share" in told:
            yield told["share"]
        elif "refused" in told:
            raise FileError(told["refused"])
        else:
            points = np.frombuffer(pipe.read(told["bytes"]), dtype=float).reshape(-1, 3)
            yield Read(told["told"], points, [Feature(**one) for one in told["features"]])
            return
    raise FileError(DAMAGED)
