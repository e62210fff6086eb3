"""The figures of a log: the database finds what the core counts, in few queries, by no more than an index."""

from dataclasses import replace
from datetime import UTC, datetime
from zoneinfo import ZoneInfo

import numpy as np
import pytest
from sqlalchemy import event, text

from orthocline.core.log import CONDITIONS, STATISTICS, chosen
from orthocline.db.log import conditions as found_by
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.log.queries import count_putts, packed_query
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.errors import NotAllowedError
from orthocline.services.log.figures import log_figures, month_start
from orthocline.services.log.putts import ALL, Which
from orthocline.wording.log.which import ONLY_WORDS
from tests.logs import some_putts

PUTTS = 400
TOKYO = ZoneInfo("Asia/Tokyo")


@pytest.fixture
def tove(session, create_golfer):
    """A golfer with a log of putts of every kind, drawn by chance, some of them deleted."""
    golfer = create_golfer()
    rounds = [
        Outing(golfer_id=golfer.id, kind=kind, begun_at=datetime(2026, 5, day, tzinfo=UTC), holes=holes)
        for day, (kind, holes) in enumerate([("round", None), ("practice", None), ("round", 18)], start=1)
    ]
    session.add_all(rounds)
    session.flush()
    rows = some_putts(np.random.default_rng(7), PUTTS, [one.id for one in rounds])
    session.add_all(LoggedPutt(golfer_id=golfer.id, **row) for row in rows)
    session.flush()
    return Viewer(golfer)


def figures(viewer, session, *which):
    return log_figures(viewer, session, "middle", which or (ALL,), UTC)


def test_core_and_database_have_the_same_conditions_and_each_has_words():
    assert set(found_by.CONDITIONS) == set(CONDITIONS) == set(ONLY_WORDS)


@pytest.mark.parametrize("name", CONDITIONS)
def test_a_condition_finds_the_putts_that_are_counted(session, tove, name):
    (log,) = figures(tove, session)
    counted = int(chosen(log.putts, (name,)).sum())
    assert count_putts(session, tove.owner_id, Which(only=(name,)), most=PUTTS) == counted
    assert 0 < counted <= PUTTS


def test_every_figure_opens_as_many_putts_as_it_rests_on(session, tove):
    which = Which(least_m=0.5, only=("missed",))
    for asked in (ALL, which):
        (log,) = figures(tove, session, asked)
        for one in (one for one in STATISTICS if one.counts != "rounds"):
            lows = [m for m in (asked.least_m, one.least_m) if m]
            opens = replace(
                asked,
                least_m=max(lows, default=None),
                most_m=one.most_m,
                only=(*asked.only, "known", *one.only),
            )
            there = count_putts(session, tove.owner_id, opens, most=PUTTS)
            assert log.figures[one.name].count == there, one.name


@pytest.mark.parametrize(
    "which",
    [
        Which(kind="round"),
        Which(kind="practice", method="eye"),
        Which(rounds=1),
        Which(least_m=2.0, most_m=5.0),
        Which(since=datetime(2026, 5, 10, tzinfo=UTC), until=datetime(2026, 6, 10, tzinfo=UTC)),
        Which(only=("holed", "breaks_left")),
        Which(place="nowhere"),
    ],
    ids=["rounds", "practice by eye", "last round", "lengths", "time", "conditions", "no place"],
)
def test_some_putts_are_those_that_the_log_lists(session, tove, which):
    (log,) = figures(tove, session, which)
    known = replace(which, only=(*which.only, "known"))
    assert log.count == count_putts(session, tove.owner_id, known, most=PUTTS)


def test_two_sets_stand_beside_each_other_and_methods_part_them(session, tove):
    every, eye = figures(tove, session, ALL, Which(method="eye"))
    named = {one.method: one.holed.count for one in every.by_method}
    assert set(named) == {"eye", "model"}
    assert eye.count == named["eye"] < every.count
    assert eye.figures["putts_a_green"].value == pytest.approx(
        float(eye.putts.on_green[eye.among & chosen(eye.putts, ("known", "first", "done"))].mean())
    )


def test_months_begin_by_the_golfers_clock(session, create_golfer):
    golfer = create_golfer("Aki")
    for at in ("2026-05-31T14:59Z", "2026-05-31T15:01Z"):
        session.add(LoggedPutt(golfer_id=golfer.id, length_m=2.0, holed=True, created_at=at))
    session.flush()
    (here,) = log_figures(Viewer(golfer), session, "middle", (ALL,), TOKYO)
    assert [one.number % 12 + 1 for one in here.months] == [5, 6]
    assert month_start(here.months[1].number, TOKYO) == datetime(2026, 5, 31, 15, tzinfo=UTC)
    (there,) = log_figures(Viewer(golfer), session, "middle", (ALL,), UTC)
    assert len(there.months) == 1


def test_an_empty_log_has_no_figures_and_competition_shows_none(session, create_golfer):
    golfer = create_golfer("Idris")
    (log,) = figures(Viewer(golfer), session)
    assert (log.count, log.months, log.by_method) == (0, (), [])
    assert log.figures["holed"].value is None
    with pytest.raises(NotAllowedError):
        figures(Viewer(golfer, Mode.COMPETITION), session)


@pytest.mark.usefixtures("tove")
def test_neighbours_putts_do_not_count(session, create_golfer):
    (log,) = figures(Viewer(create_golfer("Idris")), session)
    assert len(log.putts) == 0


def test_two_queries_bring_all_and_one_of_them_reads_the_index_alone(session, tove, engine):
    seen = []
    event.listen(engine, "before_cursor_execute", listen := lambda *args: seen.append(args[2]))
    which = Which(kind="round", most_m=5.0, method="eye")
    figures(tove, session, which)
    event.remove(engine, "before_cursor_execute", listen)
    assert len([sql for sql in seen if sql.startswith("SELECT")]) == 1, "and the one that comes as it is"
    session.execute(text("SET LOCAL enable_seqscan = off; SET LOCAL enable_bitmapscan = off"))
    packed = packed_query(tove.owner_id, (which,), ("eye",)).compile(
        engine, compile_kwargs={"render_postcompile": True}
    )
    plan = session.connection().exec_driver_sql(f"EXPLAIN {packed}", packed.params).scalars().all()
    assert any("Index Only Scan using ix_logged_putts_newest" in line for line in plan), plan
