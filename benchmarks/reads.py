"""Lines read over the API: planes a second through the whole application, and the memory that they take.

python benchmarks/reads.py [lines]
"""

import io
import json
import resource
import sys
import time
from itertools import cycle, islice
from uuid import uuid4

import numpy as np
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session
from werkzeug.test import create_environ, run_wsgi_app

from applications import fresh_database, unlimited
from bars import bar
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import sign_up
from orthocline.services.share.tokens import make_token

LINES, DIFFERENT, WARM = 20_000, 2000, 500


def documents(rng, count):
    """Return lines of putts on planes, drawn by chance."""
    return [
        json.dumps(
            {
                "surface": {
                    "kind": "plane",
                    "tilt_percent": float(rng.uniform(0.0, 3.0)),
                    "downhill_deg": float(rng.uniform(-180.0, 180.0)),
                },
                "ball_m": [0.0, 0.0],
                "hole_m": [float(rng.uniform(1.0, 12.0)), 0.0],
                "green_speed_ft": float(rng.uniform(8.0, 12.0)),
                "pace": {"past_m": 0.3},
            }
        ).encode()
        + b"\n"
        for _ in range(count)
    ]


class Sent(io.RawIOBase):
    """A body that is made as it is read, so that nobody holds it."""

    def __init__(self, lines):
        self._lines, self._rest = iter(lines), b""

    def readable(self):
        return True

    def readinto(self, buffer):
        pieces, held = [self._rest], len(self._rest)
        while held < len(buffer) and (line := next(self._lines, b"")):
            pieces.append(line)
            held += len(line)
        whole = b"".join(pieces)
        piece, self._rest = whole[: len(buffer)], whole[len(buffer) :]
        buffer[: len(piece)] = piece
        return len(piece)


def application():
    """Return an application on an empty database, and a token."""
    url = fresh_database("orthocline_reads")
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        viewer = Viewer(sign_up(session, f"Reads {uuid4().hex[:8]}", "a good long password"))
        token = make_token(viewer, session, "reads", ["reads"])
    return unlimited(url), token


def bench_reads(count=LINES):
    """Print how many lines a second are answered, and by how much the process grew meanwhile."""
    app, token = application()
    some = documents(np.random.default_rng(25), DIFFERENT)
    size = count // DIFFERENT * sum(map(len, some)) + sum(map(len, some[: count % DIFFERENT]))

    def answered(lines, length):
        environ = create_environ("/api/1/reads", method="POST", content_type="application/x-ndjson")
        environ |= {"wsgi.input": Sent(lines), "CONTENT_LENGTH": str(length)}
        environ["HTTP_AUTHORIZATION"] = f"Bearer {token}"
        pieces, _, _ = run_wsgi_app(app, environ)
        return sum(piece.count(b"\n") for piece in pieces)

    answered(some[:WARM], sum(map(len, some[:WARM])))
    before, begun = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss, time.perf_counter()
    found = answered(islice(cycle(some), count), size)
    seconds = time.perf_counter() - begun
    grown = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1e3
    assert found == count
    bar("planes read over the API", found / seconds, "a second", least=3000, against=f"{found:,} lines")
    bar("memory that they take", grown, "MB")
    app.extensions["orthocline_engine"].dispose()


if __name__ == "__main__":
    bench_reads(int(sys.argv[1]) if len(sys.argv) > 1 else LINES)
