"""The process that reads a file: within bounds of memory and time, it says in metres what the file holds."""

import json
import resource
import signal
import sys
from dataclasses import asdict
from pathlib import Path
from typing import Any, BinaryIO, Final

import numpy as np

from orthocline.formats.green_files.apart import DAMAGED, Read
from orthocline.formats.green_files.kept import Kept
from orthocline.formats.green_files.registry import FORMATS
from orthocline.formats.green_files.source import MOST_VALUES, Feature, FileError, Said, Source
from orthocline.formats.green_files.systems import Frame, frame_of

MOST_MEMORY: Final = 3_000_000_000
"""Addresses that the process may have [bytes]: a last bound, behind those of the readers."""
MOST_SECONDS: Final = 120


def main(name: str, path: str, said: str) -> None:
    """Read a file and say what it holds on standard output: lines of JSON, then the points."""
    resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY, MOST_MEMORY))
    resource.setrlimit(resource.RLIMIT_CPU, (MOST_SECONDS, MOST_SECONDS))
    signal.alarm(2 * MOST_SECONDS)
    answers = json.loads(said)
    middle = answers.pop("middle")
    asked = Said(**answers, middle=tuple(middle) if middle else None)
    try:
        with Path(path).open("rb") as file:
            found = _read(FORMATS[name].read(file, asked), asked, file, path)
    except FileError as error:
        _say({"refused": str(error)})
        return
    except (MemoryError, ArithmeticError, ValueError, TypeError, LookupError, OSError, RuntimeError):
        _say({"refused": DAMAGED})
        return
    points = np.ascontiguousarray(found.points)
    _say(
        {
            "told": found.told,
            "features": [asdict(one) for one in found.features],
            "bytes": points.nbytes,
        }
    )
    sys.stdout.buffer.write(points.data)
    sys.stdout.buffer.flush()


def _say(told: dict[str, Any]) -> None:
    sys.stdout.buffer.write(json.dumps(told).encode() + b"\n")
    sys.stdout.buffer.flush()


def _read(source: Source, said: Said, file: BinaryIO, path: str) -> Read:
    """Return what a source holds in metres."""
    if source.told.whole:
        return Read({"whole": True, "values": 0, "notes": []}, np.empty((0, 3)), source.features)
    kept, frame, seen = Kept(said.middle), None, 0
    total, values = Path(path).stat().st_size, source.told.values or MOST_VALUES
    features = [[*place, 0.0] for one in source.features for place in one.places]
    for figures in source.heights:
        some = figures[np.isfinite(figures).all(axis=1)]
        if frame is None and len(some):
            frame = frame_of(source.told, said, some)
        if frame:
            kept.take(frame.metres(figures))
        seen += len(figures)
        _say({"share": min(max(file.tell() / total, seen / values), 1.0)})
    if frame is None and features:
        frame = frame_of(source.told, said, np.array(features))
    if frame is None or not (kept.count or features):
        raise FileError("This file has no heights.")
    told = {
        "whole": False,
        "system": frame.system,
        "called": frame.called,
        "unit": frame.unit,
        "height_unit": frame.height_unit,
        "says_system": bool(source.told.system),
        "says_heights": frame.says_heights,
        "values": source.told.values or kept.count,
        "count": kept.count,
        "spacing": source.told.spacing,
        "notes": list(source.told.notes),
        "low": kept.low.tolist() if kept.count else None,
        "high": kept.high.tolist() if kept.count else None,
    }
    return Read(told, kept.points, [_moved(one, frame) for one in source.features])


def _moved(one: Feature, frame: Frame) -> Feature:
    """Return a feature with its places in metres."""
    places = frame.metres(np.array([[*place[:2], 0.0] for place in one.places]))[:, :2]
    if len(places) < len(one.places):
        raise FileError(f"A place of its {one.kind} lies nowhere.")
    return Feature(one.kind, places.tolist(), one.members)


if __name__ == "__main__":
    main(*sys.argv[1:4])
