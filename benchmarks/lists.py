"""`make lists`: every query of every page, explained among ten million putts.

usage: lists.py [DATABASE]: one that `season.py DATABASE 200 4800` made; without, it is made (half an hour).

A member of a club of 200, among 4,800 other golfers of 2,000 putts each, opens every page; each query that
was asked is explained by the database as it was asked, and those that take longest are said.
"""

import re
import sys
from collections import Counter

from sqlalchemy import create_engine, event, select, text
from sqlalchemy.orm import Session

from applications import fresh_database, unlimited
from orthocline.db.account.models import Golfer
from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.settings import var_folder
from season import fill, name_of
from walk import client_of, walked

DATABASE, MEMBERS, OTHERS = "orthocline_many", 200, 4_800
MOST_MS, SHOWN = 20.0, 12
FILES = ("log_files.take",)
"""What takes everything along is no list."""
ASKS = re.compile(r"\s*(SELECT|WITH)\b", re.I)


def pages_of(app, client):
    """Return the addresses of all pages of a golfer."""
    seeds = walked(app, client)
    return [one for (method, _), found in sorted(seeds.items()) for one in found if method == "GET"]


def asked_by(app, client, pages):
    """Return the queries of some pages: each with what it asks for, and which route asked."""
    queries, here = {}, [""]
    engine = app.extensions["orthocline_engine"]

    @event.listens_for(engine, "after_cursor_execute")
    def keep(_connection, _cursor, statement, parameters, _context, many):
        if ASKS.match(statement) and not many:
            queries.setdefault((here[0], statement), parameters)

    statuses = Counter()
    for page in pages:
        here[0] = page.of
        statuses[client.get(page.path, query_string=dict(page.fields), buffered=True).status_code] += 1
    print(f"{len(pages)} pages of {len({page.of for page in pages})} routes: {dict(statuses)}")
    return queries


def explained(engine, queries):
    """Return how long the database says each takes [ms], the longest first."""
    told = []
    with engine.connect() as connection:
        cursor = connection.connection.cursor()
        for (route, statement), parameters in queries.items():
            times = []
            for _ in range(2):  # the second has in memory what a page just asked has
                cursor.execute(f"EXPLAIN (ANALYZE, FORMAT JSON) {statement}", parameters)
                plan = cursor.fetchone()[0][0]
                times.append(plan["Execution Time"])
            told.append((times[1], route, " ".join(statement.split()), plan["Plan"]["Node Type"]))
        connection.rollback()
    return sorted(told, reverse=True)


def main():
    if len(sys.argv) > 1:
        url = ensure_running(var_folder()).url(sys.argv[1])
    else:
        fill(url := fresh_database(DATABASE), MEMBERS, OTHERS)
    engine, app = create_engine(url), unlimited(url)
    with Session(engine) as session:
        member = session.scalar(select(Golfer).where(Golfer.name == name_of(MEMBERS // 2)))
        rows = session.scalar(text("SELECT reltuples::bigint FROM pg_class WHERE relname = 'logged_putts'"))
    client = client_of(app, member)
    told = explained(engine, asked_by(app, client, pages_of(app, client)))
    over = [one for one in told if one[0] > MOST_MS and one[1] not in FILES]
    print(f"{len(told)} queries among {rows:,} putts; over {MOST_MS:g} ms: {len(over)}")
    for took, route, statement, node in told[:SHOWN]:
        print(f"  {took:7.1f} ms  {route}: {node}: {statement[:300]}")
    sys.exit(1 if over else 0)


if __name__ == "__main__":
    main()
