"""A log of 20,000 putts: taken in from a file, counted, listed, taken out; against the ways not taken."""

import io
import time
from uuid import uuid4

import numpy as np
from sqlalchemy import create_engine, select, text
from sqlalchemy.orm import Session, sessionmaker

from applications import unlimited
from bars import bar
from orthocline.db.account.models import Golfer
from orthocline.db.log.models import LoggedPutt
from orthocline.db.server.migrate import upgrade
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import sign_up
from orthocline.services.jobs.jobs import carry_out
from orthocline.services.log.figures import log_figures
from orthocline.services.log.putts import ALL, Which

LINES = 20_000
RUNS = 40
PASSWORD = "a good long password"
HEAD = (
    "at,outing,kind,course,green,hole,number,length_m,breaks,method,past_m,read_aim_right_m,aim_right_m,"
    "holed,finish_along_m,finish_right_m,seen_start,after_read,after_committed\n"
)
PAGES = {
    "all": "/figures",
    "rounds of one green, beside practice": "/figures?kind=round&place=green+4&beside=practice",
    "one method beside another": "/figures?method=eye&beside=by:hand_gauge",
    "the last ten rounds": "/figures?rounds=10",
    "short putts, as a part": "/figures?most=6+ft",
}


def bench_log(url):
    """Print how long the log's pages and jobs take."""
    upgrade(url)
    app = unlimited(url, WTF_CSRF_ENABLED=False)
    engine = create_engine(url)
    name = f"Log {uuid4().hex[:8]}"
    with Session(engine) as session, session.begin():
        golfer = sign_up(session, name, PASSWORD).id
    client = app.test_client()
    client.post("/sign-in", data={"name": name, "password": PASSWORD})
    bench_import(client, engine)
    with engine.connect().execution_options(isolation_level="AUTOCOMMIT") as connection:
        connection.execute(text("VACUUM ANALYZE logged_putts"))
    bench_pages(client)
    bench_ways(engine, golfer)
    start = time.perf_counter()
    size = len(client.get("/log/putts.jsonl", buffered=True).data)
    print(f"{LINES:,} putts as JSON lines: {size / 1e6:.0f} MB in {time.perf_counter() - start:.1f} s")
    with engine.begin() as connection:
        connection.execute(text("DELETE FROM golfers WHERE id = :id"), {"id": golfer})
    app.extensions["orthocline_engine"].dispose()
    engine.dispose()


def some_lines(rng):
    """Return a file of rounds of eighteen holes, two putts on each green."""
    lines = [HEAD]
    for i in range(LINES // 2):
        played, hole = divmod(i, 18)
        at = np.datetime64("2024-01-01T08:00") + np.timedelta64(played, "D") + np.timedelta64(12 * hole, "m")
        of = (
            f"{at}Z,round {played},{'round' if played % 3 else 'practice'},Links,green {hole % 18},{hole + 1}"
        )
        way = ("left", "straight", "right")[i % 3]
        by = ("eye", "model", "hand_gauge")[i % 3]
        aims = f"0.3,{rng.normal(0.0, 0.3):.3f},{rng.normal(0.0, 0.3):.3f}"
        along, right = rng.normal(0.3, 0.5), rng.normal(0.0, 0.3)
        seen = ("left", "on", "right")[i % 3]
        first = f"{rng.gamma(2.2, 2.2) + 0.5:.2f},{way},{by},{aims}"
        lines.append(f"{of},1,{first},,{along:.3f},{right:.3f},{seen},yes,no\n")
        lines.append(f"{of},2,{max(np.hypot(along, right), 0.1):.2f},,,,,,yes,,,,,\n")
    return "".join(lines).encode()


def bench_import(client, engine):
    """Print how long a file takes to be tried and to be kept."""
    file = some_lines(np.random.default_rng(1))
    sent = {"file": (io.BytesIO(file), "putts.csv")}
    asked = client.post("/log/files", data=sent, content_type="multipart/form-data").location
    seconds = {}
    start = time.perf_counter()
    carry_out(sessionmaker(engine), int(asked.rpartition("/")[2]))
    seconds["tried"] = time.perf_counter() - start
    kept = client.post(f"{asked}/keep").location
    start = time.perf_counter()
    carry_out(sessionmaker(engine), int(kept.rpartition("/")[2]))
    seconds["kept"] = time.perf_counter() - start
    told = f"{len(file) / 1e6:.1f} MB, tried in {seconds['tried']:.1f} s before"
    bar(f"a file of {LINES:,} putts kept", seconds["kept"], "s", most=20, against=told)


def bench_pages(client):
    """Print how long the page of figures takes, for several kinds of putts, and one putt's noting."""
    every = []
    for name, path in PAGES.items():
        headers = {"HX-Request": "true"} if "part" in name else {}
        ms = []
        for _ in range(RUNS):
            start = time.perf_counter()
            assert client.get(path, headers=headers).status_code == 200
            ms.append(1e3 * (time.perf_counter() - start))
        every += ms
        print(f"figures of {LINES:,} putts, {name}: median {np.median(ms):.0f} ms, p95 {p95(ms):.0f} ms")
    bar(f"figures of {LINES:,} putts, 95 % within", p95(every), "ms", most=100)
    ms = []
    for _ in range(RUNS):
        start = time.perf_counter()
        assert client.post("/log/note", data={"length": "12 ft", "holed": "1"}).status_code == 303
        ms.append(1e3 * (time.perf_counter() - start))
    bar("a putt noted, 95 % within", p95(ms), "ms")


def bench_ways(engine, golfer):
    """Print what the packed column saves against rows of columns, and how long the core takes."""
    columns = [
        one for one in LoggedPutt.__table__.columns if one.key not in ("packed", "note", "putt_document")
    ]
    with Session(engine) as session:
        viewer = Viewer(session.get_one(Golfer, golfer))
        ways = {
            "packed": lambda: log_figures(viewer, session, "middle", (ALL, Which(kind="round"))),
            "rows of columns": lambda: session.execute(
                select(*columns).where(LoggedPutt.golfer_id == golfer)
            ).all(),
        }
        for name, work in ways.items():
            ms = []
            for _ in range(9):
                start = time.perf_counter()
                work()
                ms.append(1e3 * (time.perf_counter() - start))
            print(f"  read {name}: median {np.median(ms):.0f} ms")
        ms = []
        for _ in range(9):
            log, _ = ways["packed"]()
            start = time.perf_counter()
            _ = log.figures, log.months, log.by_method
            ms.append(1e3 * (time.perf_counter() - start))
        print(f"  worked out by the core: median {np.median(ms):.0f} ms")


def p95(ms):
    """Return the 95th percentile."""
    return float(np.percentile(ms, 95))
