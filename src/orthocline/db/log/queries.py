"""A golfer's putts: by page, all, and the figures of all at once."""

from collections.abc import Iterator, Sequence
from datetime import datetime
from typing import Any, NamedTuple

from sqlalchemy import ColumnElement, Select, SmallInteger, case, cast, func, literal, select, tuple_
from sqlalchemy.orm import Session

from orthocline.db.entries import FETCHED
from orthocline.db.log.models import LoggedPutt
from orthocline.db.log.which import ALL, Which

NEWEST_PUTT = (LoggedPutt.created_at.desc(), LoggedPutt.id.desc())

Place = tuple[datetime, int]
"""Where a putt stands in the log: when it was logged, and its number."""


class Packed(NamedTuple):
    """The figures of all putts of a golfer, in one order.

    `packed` has the bytes of each in the layout of `LAYOUT`, `methods` two bytes each: the place of its
    method among those that were named, from 1, 0 for another or none; `chosen` one byte each for every
    `Which` that is asked for.
    """

    packed: bytes
    methods: bytes
    chosen: tuple[bytes, ...]


def putts_of(
    session: Session, golfer_id: int, which: Which = ALL, *, before: Place | None = None, limit: int
) -> Sequence[LoggedPutt]:
    """Return so many of a golfer's putts, newest first.

    Parameters
    ----------
    which : Which
        Which of them.
    before : tuple of datetime and int, or None
        Only those that stand after this one in the log: further pages cost no more than the first.
    """
    query = _filtered(golfer_id, which)
    if before:
        here = tuple_(LoggedPutt.created_at, LoggedPutt.id)
        query = query.where(here < tuple_(literal(before[0]), literal(before[1])))
    numbers = query.with_only_columns(LoggedPutt.id).order_by(*NEWEST_PUTT).limit(limit)
    return session.scalars(
        select(LoggedPutt).where(LoggedPutt.id.in_(numbers.scalar_subquery())).order_by(*NEWEST_PUTT)
    ).all()


def count_putts(session: Session, golfer_id: int, which: Which = ALL, *, most: int) -> int:
    """Return how many putts of a golfer fit, counting no further than `most`."""
    numbers = _filtered(golfer_id, which).with_only_columns(LoggedPutt.id).limit(most)
    return session.scalar(select(func.count()).select_from(numbers.subquery())) or 0


def all_putts(session: Session, golfer_id: int, which: Which = ALL) -> Iterator[LoggedPutt]:
    """Return all putts of a golfer that fit, newest first, fetched as they are taken."""
    query = _filtered(golfer_id, which).order_by(*NEWEST_PUTT)
    return iter(session.scalars(query.execution_options(yield_per=FETCHED)))


def packed_putts(session: Session, golfer_id: int, asked: Sequence[Which], methods: Sequence[str]) -> Packed:
    """Return the figures of all putts of a golfer, and which of them each `Which` means."""
    row = _as_it_is(session, packed_query(golfer_id, asked, methods))
    if row[0] is None:
        return Packed(b"", b"", (b"",) * len(asked))
    return Packed(row[0], row[1], tuple(row[2:]))


def packed_query(golfer_id: int, asked: Sequence[Which], methods: Sequence[str]) -> Select[Any]:
    """Return the query for the figures of all putts of a golfer, in one row."""
    chosen = [
        func.string_agg(func.boolsend(func.coalesce(one.chosen(golfer_id), False)), b"") for one in asked
    ]
    places = {name: place for place, name in enumerate(methods, start=1)}
    place = case(places, value=LoggedPutt.method, else_=0)
    numbered = func.string_agg(func.int2send(cast(place, SmallInteger)), b"")
    query = select(func.string_agg(LoggedPutt.packed, b""), numbered, *chosen)
    return query.where(_kept(golfer_id))


def _as_it_is(session: Session, query: Select[Any]) -> tuple[Any, ...]:
    """Return the row of a query; its bytes come as they are, and not as text of twice their length."""
    compiled = query.compile(session.get_bind(), compile_kwargs={"render_postcompile": True})
    connection: Any = session.connection().connection.driver_connection
    with connection.cursor(binary=True) as cursor:
        row: tuple[Any, ...] = cursor.execute(str(compiled), compiled.params).fetchone()
    return row


def _kept(golfer_id: int) -> ColumnElement[bool]:
    return (LoggedPutt.golfer_id == golfer_id) & LoggedPutt.deleted_at.is_(None)


def _filtered(golfer_id: int, which: Which) -> Select[LoggedPutt]:
    return select(LoggedPutt).where(_kept(golfer_id), which.chosen(golfer_id))
