"""A club of golfers with a season each, and as many others as wanted, made by the database itself.

Members are whole copies of the demo's Wren, with more rounds before hers; others have her courses, greens,
rounds and putts, of which one in ten has its documents: they are there to be many.
"""

import sys
import time

from argon2 import PasswordHasher
from sqlalchemy import create_engine, text
from sqlalchemy.orm import Session

from applications import fresh_database
from orthocline.db.ground.models import Course, Green
from orthocline.db.log.habits import GolferHabits
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.share.models import CoachNote, CoachSession
from orthocline.db.tables import OWN
from orthocline.services.demo.golfer import load_demo

PASSWORD = "four unrelated hedgehogs"
PUTTS = 2_000
AT_ONCE = 20
DOCUMENTS = ("putt_document", "read_document", "model_version")
ALL = tuple(kind for kind in (*OWN, GolferHabits) if kind not in (CoachNote, CoachSession))
"""What a member has; what coaches left says who they are."""


def name_of(number):
    return f"Member {number}"


class Copies:
    """Rows of one golfer, copied to others (or to the same, earlier) by one statement a table."""

    def __init__(self, connection, source, onto):
        self.connection, self.source, self.mapped = connection, source, set()
        self.run("CREATE TEMP TABLE onto (n int, golfer_id bigint, earlier interval) ON COMMIT DROP")
        connection.execute(
            text("INSERT INTO onto VALUES (:n, :golfer_id, make_interval(days => :days))"), onto
        )

    def run(self, statement):
        return self.connection.execute(text(statement))

    def keep(self, kind):
        """Let what is copied go on to name the rows of a kind that it names."""
        self._map(kind.__tablename__, "t.id")

    def copy(self, kind, *, documents=True, again=False):
        """Copy a kind of row; `again` to the same golfer, so that nothing has the key of another."""
        table = kind.__table__
        columns = [
            one for one in table.columns if one.computed is None and one.name not in ("id", "golfer_id")
        ]
        values, joins = zip(*(self._value(one, documents, again) for one in columns), strict=True)
        names, told, numbered = ["golfer_id", *(one.name for one in columns)], ["o.golfer_id", *values], ""
        if "id" in table.columns:
            self._map(table.name, f"nextval(pg_get_serial_sequence('{table.name}', 'id'))")
            names, told = ["id", *names], ["own.new", *told]
            numbered = f"JOIN map_{table.name} own ON own.old = t.id AND own.n = o.n"
        self.run(
            f"INSERT INTO {table.name} ({', '.join(names)}) OVERRIDING SYSTEM VALUE SELECT {', '.join(told)}"
            f" FROM {table.name} t CROSS JOIN onto o {numbered} {' '.join(joins)}"
            f" WHERE t.golfer_id = {self.source}"
        )

    def _map(self, table, new):
        self.mapped.add(table)
        self.run(
            f"CREATE TEMP TABLE map_{table} ON COMMIT DROP AS SELECT t.id AS old, o.n, {new} AS new"
            f" FROM {table} t CROSS JOIN onto o WHERE t.golfer_id = {self.source}"
        )
        self.run(f"CREATE INDEX ON map_{table} (old, n)")
        self.run(f"ANALYZE map_{table}")

    def _value(self, column, documents, again):
        """Return what stands in a column of a copied row, and the join that finds it."""
        for foreign in column.foreign_keys:
            of, alias = foreign.column.table.name, f"m_{column.name}"
            if of not in self.mapped:
                return "NULL", ""
            return (
                f"{alias}.new",
                f"LEFT JOIN map_{of} {alias} ON {alias}.old = t.{column.name} AND {alias}.n = o.n",
            )
        said = f"t.{column.name}"
        if again and column.name in ("key", "visit"):
            said = f"md5(t.{column.name}::text || o.n)::uuid"
        elif column.name in DOCUMENTS and not documents:
            said = f"CASE WHEN t.id % 10 = 0 THEN t.{column.name} END"
        elif column.type.python_type.__name__ == "datetime":
            said = f"t.{column.name} - o.earlier"
        return said, ""


def signed_up(connection, names):
    """Return the numbers of new golfers, all of one password."""
    told = {"hash": PasswordHasher().hash(PASSWORD), "names": list(names)}
    made = (
        "INSERT INTO golfers (name, password_hash) SELECT unnest(CAST(:names AS text[])), :hash RETURNING id"
    )
    return list(connection.execute(text(made), told).scalars())


def onto(numbers):
    return [{"n": n, "golfer_id": number, "days": 0} for n, number in enumerate(numbers)]


def fill(url, members, others=0):
    """Fill a fresh database with a club of golfers of `PUTTS` putts each, and others."""
    engine = create_engine(url)
    with Session(engine) as session, session.begin():
        load_demo(session)
    with engine.begin() as connection:
        wren = connection.scalar(text("SELECT id FROM golfers WHERE demo = 'template' ORDER BY id LIMIT 1"))
        (first,) = signed_up(connection, [name_of(1)])
        copies = Copies(connection, wren, onto([first]))
        for kind in ALL:
            copies.copy(kind)
    with engine.begin() as connection:
        counted = text("SELECT count(*) FROM logged_putts WHERE golfer_id = :id")
        seasons = -(-PUTTS // connection.scalar(counted, {"id": first})) - 1
        before = [{"n": n, "golfer_id": first, "days": 210 * n} for n in range(1, seasons + 1)]
        copies = Copies(connection, first, before)
        for kind in (Course, Green):
            copies.keep(kind)
        for kind in (Outing, LoggedPutt):
            copies.copy(kind, again=True)
        copies.run(
            f"DELETE FROM logged_putts WHERE id IN (SELECT id FROM logged_putts WHERE golfer_id = {first}"
            f" ORDER BY created_at DESC, id DESC OFFSET {PUTTS})"
        )
    _many(engine, first, [name_of(n) for n in range(2, members + 1)], ALL, AT_ONCE, documents=True)
    names = [f"Other {n}" for n in range(others)]
    _many(engine, first, names, (Course, Green, Outing, LoggedPutt), 5 * AT_ONCE, documents=False)
    with engine.connect().execution_options(isolation_level="AUTOCOMMIT") as connection:
        connection.execute(text("VACUUM ANALYZE"))
    engine.dispose()


def _many(engine, source, names, kinds, at_once, *, documents):
    for start in range(0, len(names), at_once):
        with engine.begin() as connection:
            copies = Copies(connection, source, onto(signed_up(connection, names[start : start + at_once])))
            for kind in kinds:
                copies.copy(kind, documents=documents)


if __name__ == "__main__":
    begun, (name, *counts) = time.monotonic(), sys.argv[1:]
    address = fresh_database(name)
    fill(address, *map(int, counts))
    print(f"{address}\n{time.monotonic() - begun:.0f} s")
