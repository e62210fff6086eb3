"""`make fuzz`: every form, every link and every member of the API, with what nobody would send.

Pages are walked as a golfer of the demo; from what stands in them cases are made, some right, most wrong:
fields of other kinds, far too large, repeated, left out, not text, rows of others. Two processes ask an
application without limits. Counted are answers of 500 and above, those that took over a second, and how the
memory goes; what fails is printed as it was asked.
"""

import json
import multiprocessing
import random
import re
import sys
import time
from collections import Counter
from datetime import UTC, datetime
from pathlib import Path
from uuid import uuid4

from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session

from applications import fresh_database, unlimited
from orthocline.services.account.access import Viewer
from orthocline.services.demo.golfer import demo_copy, load_demo
from orthocline.services.share.tokens import SCOPES, make_token
from orthocline.wording.share.programs import NOTED, PUTT
from walk import client_of, walked

CASES, PROCESSES, A_GOLFER, STEPS = 100_000, 2, 2_000, 10
SLOW_S, FLAT_MB = 1.0, 60.0
ODD = (
    *("", " ", "0", "-1", "-0", "1", "7", "1e308", "-1e308", "1e-308", "5e-324", "nan", "inf", "-Infinity"),
    *("9" * 400, "0." + "0" * 400 + "1", "1" * 5_000, "x" * 5_000, "\U0001d518" * 70, "\x00", "a\x00b"),
    *("\ufffe", "e\u0301", "<script>alert(1)</script>", "' OR 1=1 --", "../../etc/passwd", "{{7*7}}", "%00"),
    *("%s%s", "\r\nX: y", "\u0661\u0662 ft", "12 ft", "12 ft 99 in", "-5 %", "3 paces", "2 cm", "1,5 m"),
    *("1 / 0", "90 deg", "400 %", "0 ft", "2026-02-30", "0001-01-01T00:00", "9999-12-31T23:59", "1 Jan"),
    *("yesterday", "24:00", "2026-11-28T12:00Z", "true", "null", "[]", "{}", "[[0,0],[1,1]]", '{"a":'),
    *("1;2;3", "-1;0", "left", "right", "yes", "no", "on", "1" * 19, str(uuid4())),
    *("9223372036854775807", "9223372036854775808", "-9223372036854775808"),
)
NUMBERS = (0, 1, 2, 3, 9, 300, 2**31, 2**63 - 1, 2**63, 10**30)
JSON_ODD = (
    *(*ODD, None, True, False, 0, -1, 1e308, -1e308, 5e-324, 10**400),
    *([], {}, [[]], {"a": {}}, [1e9] * 50),
)
BROKEN = (b"", b"{", b"\xff\xfe", b"[" * 10_000, b"null", b"NaN", b'{"a": 1, "a": 2}', b"1" * 50_000)


class Asker:
    """A golfer of the demo with all pages of theirs, and a token."""

    def __init__(self, app, engine):
        self.app, self.engine = app, engine
        self.begin()
        self.seeds = walked(app, self.client)

    def begin(self):
        """Be a new golfer."""
        with Session(self.engine) as session, session.begin():
            golfer = demo_copy(session, datetime.now(UTC), uuid4())
            self.token = make_token(Viewer(golfer), session, "cases", SCOPES)
            self.client = client_of(self.app, golfer)


def odd_path(rng, path):
    """Return an address with another number in it."""
    return re.sub(r"\d+", lambda found: str(rng.choice(NUMBERS)) if rng.random() < 0.5 else found[0], path)


def odd_fields(rng, fields, words):
    """Return fields, a few of them changed, left out, repeated or strange."""
    fields = [field for field in fields if rng.random() > 0.05]
    for _ in range(rng.choice((0, 1, 1, 1, 2, 3, 8))):
        value = rng.choice(words) if rng.random() < 0.3 else rng.choice(ODD)
        if fields and rng.random() < 0.85:
            index = rng.randrange(len(fields))
            fields[index] = (fields[index][0], value)
        else:
            fields.append((rng.choice(fields)[0] if fields else "key", value))
    return [(name, str(uuid4()) if name == "key" and rng.random() < 0.7 else value) for name, value in fields]


def odd_document(rng, document):
    """Return a document with something else in one or two places."""
    document = json.loads(json.dumps(document))
    for _ in range(rng.choice((0, 1, 1, 2))):
        at = document
        while isinstance(at, dict | list) and at:
            key = rng.choice(list(at)) if isinstance(at, dict) else rng.randrange(len(at))
            if not isinstance(at[key], dict | list) or rng.random() < 0.3:
                if rng.random() < 0.15 and isinstance(at, dict):
                    del at[key]
                else:
                    at[key] = rng.choice(JSON_ODD)
                break
            at = at[key]
    return document


class Cases:
    """One process's share of the cases, and what came of them."""

    def __init__(self, url, seed):
        self.rng = random.Random(seed)
        self.app, self.engine = unlimited(url, WTF_CSRF_ENABLED=False), create_engine(url, poolclass=NullPool)
        self.asker = Asker(self.app, self.engine)
        seeds = [one for seeds in self.asker.seeds.values() for one in seeds]
        self.words = [value for one in seeds for _, value in one.fields if value]
        self.routes = sorted(self.asker.seeds)
        self.statuses, self.found, self.slowest, self.memory = Counter(), [], (0.0, ""), []
        self.reads = []

    def run(self, count):
        for number in range(count):
            if number % A_GOLFER == A_GOLFER - 1:
                self.asker.begin()
            if number % (count // STEPS) == 0:
                self.memory.append(resident_mb())
            self.once()
        self.memory.append(resident_mb())
        return self

    def once(self):
        method, path, sent = self.program() if self.rng.random() < 0.1 else self.form()
        begun, core = time.perf_counter(), time.thread_time()
        status, location = self.answer(method, path, sent)
        took, core = time.perf_counter() - begun, time.thread_time() - core
        self.statuses[status] += 1
        if path == "/read":
            self.reads.append(core)
        self.slowest = max(self.slowest, (took, f"{method} {path[:100]}"))
        if status >= 500 or took > SLOW_S:
            self.found.append((status, round(took, 2), method, path[:300], repr(sent)[:1500]))
        if status in (302, 401) and "/sign-in" in (location or "/sign-in"):
            self.asker.begin()

    def answer(self, method, path, sent):
        """Return what a request was answered, and where it leads; what is not answered at all is a 599."""
        try:
            answer = self.asker.client.open(path, method=method, buffered=True, **sent)
        except Exception as error:
            return 599, f"{type(error).__name__}"
        return answer.status_code, answer.location

    def form(self):
        seed = self.rng.choice(self.asker.seeds[self.rng.choice(self.routes)])
        path = odd_path(self.rng, seed.path) if self.rng.random() < 0.2 else seed.path
        fields = odd_fields(self.rng, seed.fields, self.words)
        headers = {"HX-Request": "true"} if self.rng.random() < 0.3 else {}
        if seed.method == "GET":
            return "GET", path, {"query_string": multi(fields), "headers": headers}
        return "POST", path, {"data": multi(fields), "headers": headers}

    def program(self):
        """Return a request of a program's."""
        rng = self.rng
        headers = {"Authorization": f"Bearer {self.asker.token}"}
        kind = rng.choice(("read", "reads", "putts", "greens", "list"))
        if kind == "list":
            before = rng.choice((*ODD, "1", "2026-11-01T10:00:00+00:00~7"))
            return "GET", "/api/1/putts", {"query_string": {"before": before}, "headers": headers}
        if kind == "greens":
            return "GET", f"/api/1/greens/{rng.choice(NUMBERS)}", {"headers": headers}
        document = odd_document(rng, json.loads(NOTED if kind == "putts" else PUTT))
        body = json.dumps(document).encode() if rng.random() < 0.9 else rng.choice(BROKEN)
        sort = "application/x-ndjson" if kind == "reads" else "application/json"
        return "POST", f"/api/1/{kind}", {"data": body, "content_type": sort, "headers": headers}


def multi(fields):
    """Return fields as a client takes them, a name as often as it stands there."""
    told = {}
    for name, value in fields:
        told.setdefault(name, []).append(value)
    return told


def resident_mb():
    pages = int(Path("/proc/self/statm").read_text().split()[1])
    return pages * 4096 / 1e6


def share(url, seed, count):
    """Return what one process finds."""
    cases = Cases(url, seed).run(count)
    return cases.statuses, cases.found, cases.slowest, cases.memory, len(cases.routes), cases.reads


def main():
    count = int(sys.argv[1]) if len(sys.argv) > 1 else CASES
    url = fresh_database("orthocline_forms")
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        load_demo(session)
    begun = time.monotonic()
    with multiprocessing.get_context("spawn").Pool(PROCESSES) as pool:
        shares = pool.starmap(share, [(url, 26 + n, count // PROCESSES) for n in range(PROCESSES)])
    statuses = sum((one[0] for one in shares), Counter())
    found = [one for of in shares for one in of[1]]
    for one in found[:40]:
        print("  ", *one)
    grown = max(one[3][-1] - one[3][1] for one in shares)
    reads = sorted(core for one in shares for core in one[5])
    said = ", ".join(f"{code}: {times:,}" for code, times in sorted(statuses.items()))
    print(f"{statuses.total():,} cases of {shares[0][4]} routes in {time.monotonic() - begun:.0f} s: {said}")
    print(f"500 and above: {sum(n for code, n in statuses.items() if code >= 500)}")
    print(f"over a second: {sum(one[1] > SLOW_S for one in found)}; slowest {max(one[2] for one in shares)}")
    if reads:
        middle, most = 1000.0 * reads[len(reads) // 2], 1000.0 * reads[-1]
        print(f"{len(reads):,} reads: {middle:.0f} ms of a core, {most:.0f} ms at most")
    print(f"memory of a process [MB]: {'; '.join(' '.join(f'{mb:.0f}' for mb in one[3]) for one in shares)}")
    sys.exit(1 if found or grown > FLAT_MB else 0)


if __name__ == "__main__":
    main()
