"""An account by its archive: out and in, equal row for row; what is damaged or hostile is refused whole."""

import json
import zipfile
from dataclasses import replace
from uuid import uuid4

import pytest
from sqlalchemy import create_engine, func, select
from sqlalchemy.orm import Session

from orthocline.core.chart import ChartReading
from orthocline.db.account.models import Golfer
from orthocline.db.tables import METADATA
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.account.accounts import sign_up
from orthocline.services.carry import archive as archives
from orthocline.services.carry.archive_checks import require_drawing
from orthocline.services.errors import DomainError, NotAllowedError
from orthocline.services.ground.charts import Edit, edit_chart, find_green, keep_chart, list_greens
from orthocline.services.ground.places import Place
from orthocline.services.jobs.jobs import ask_for, carry_out, find_job
from orthocline.services.log.noting import note_putt
from orthocline.services.train.sessions import begin
from tests.archived import archive_of, changed, manifest_of, member, rows_in, zipped
from tests.charted import CHART
from tests.conftest import PASSWORD
from tests.services.ground.test_charts import scanned
from tests.services.train.test_sessions import NOW

NOT_ARCHIVED = {"jobs", "given_files", "golfer_habits", "api_tokens"}
"""Work that waits, what follows from the log again, and what lets programs in."""


@pytest.fixture
def demo_session(demo_database):
    engine = create_engine(demo_database)
    with engine.connect() as connection:
        outer = connection.begin()
        with Session(connection, join_transaction_mode="create_savepoint") as session:
            yield session
        outer.rollback()
    engine.dispose()


def wren_of(session, name="Wren Halloran"):
    return session.scalars(select(Golfer).where(Golfer.name == name, Golfer.demo == "template")).one()


def kept_of(session, golfer):
    """All rows of a golfer's, table by table, numbers told by keys: from the database, not as archives do."""
    tables = [one for one in METADATA.sorted_tables if "golfer_id" in one.columns]
    keys, kept = {}, {}
    for table in tables:
        if {"id", "key"} <= set(table.columns.keys()):
            found = session.execute(select(table.c.id, table.c.key).where(table.c.golfer_id == golfer.id))
            keys[table.name] = {row.id: row.key for row in found}
    for table in tables:
        rows = session.execute(select(table).where(table.c.golfer_id == golfer.id)).mappings()
        kept[table.name] = sorted((_told(table, row, keys) for row in rows), key=str)
    return {name: rows for name, rows in kept.items() if name not in NOT_ARCHIVED}


def _told(table, row, keys):
    # What is packed of a putt holds the number of its outing; a coach has no account on another machine.
    own = ("id", "golfer_id", "job_id", "packed", "coach_id")
    told = {name: value for name, value in row.items() if name not in own}
    for column in table.columns:
        for foreign in column.foreign_keys:
            if column.name in told and told[column.name] is not None:
                told[column.name] = keys[foreign.column.table.name][told[column.name]]
    return told


def brought(session, golfer, archive):
    """Bring an archive in as a job does: look it through, then bring it in; return what it said."""
    viewer = Viewer(golfer)
    task = archives.give_archive(viewer, session, "mine.zip", iter([archive]), uuid4())
    made = list(archives.looked_through(viewer, session, task))
    archives.bring_in(viewer, session, task)
    return archives.brought_of(made[-1].content)


def test_an_account_moves_by_its_archive_equal_row_for_row(demo_session):
    full = set()
    for name in ("Wren Halloran", "Tove"):
        there = moved(demo_session, wren_of(demo_session, name))
        full |= {table for table, rows in there.items() if rows}
    empty = set(there) - full
    assert empty <= {"arrivals", "green_scans", "read_corrections", "slope_pairs", "stride_trials"}


def moved(session, golfer):
    """Move an account by its archive to a new one, and return what both have."""
    archive = archive_of(Viewer(golfer), session)
    new = sign_up(session, f"{golfer.name} anew", PASSWORD)
    said = brought(session, new, archive)
    there = kept_of(session, golfer)
    assert said == (golfer.name, sum(map(len, there.values())), 0)
    assert kept_of(session, new) == there
    assert (new.time_zone, new.created_at) == (golfer.time_zone, golfer.created_at)
    assert new.name == f"{golfer.name} anew"
    return there


def test_the_same_archive_twice_changes_nothing(demo_session):
    wren = wren_of(demo_session)
    archive, before = archive_of(Viewer(wren), demo_session), kept_of(demo_session, wren)
    said = brought(demo_session, wren, archive)
    assert (said.new, said.there) == (0, sum(map(len, before.values())))
    assert kept_of(demo_session, wren) == before


def test_no_secret_is_in_it(session, create_golfer):
    golfer = create_golfer()
    told = json.dumps(manifest_of(archive_of(Viewer(golfer), session)))
    assert golfer.password_hash not in told
    assert set(json.loads(told)["golfer"]) == {"name", "signed_up", "time_zone"}
    assert not set(json.loads(told)["tables"]) & {"golfers", "jobs", "given_files"}


@pytest.fixture
def tove(session, create_golfer):
    """A golfer with a green that is charted, and a putt on it."""
    viewer = Viewer(create_golfer())
    keep_chart(viewer, session, Place("Ternholm Links", "green 1"), CHART, "charted")
    note_putt(viewer, session, length_m=3.0, place=Place("Ternholm Links", "green 1"), note="dusk")
    return viewer


@pytest.fixture
def idris(create_golfer):
    return create_golfer("Idris")


def test_courses_and_greens_of_the_same_name_are_the_same(session, tove, idris):
    archive = archive_of(tove, session)
    note_putt(Viewer(idris), session, length_m=5.0, place=Place("TERNHOLM Links", "Green 1"))
    brought(session, idris, archive)
    (green,) = list_greens(Viewer(idris), session)
    assert green.place.green == "Green 1"
    assert find_green(Viewer(idris), session, green.id).chart == CHART
    assert len(kept_of(session, idris)["logged_putts"]) == 2
    assert len(kept_of(session, idris)["greens"]) == 1


def test_two_charts_of_one_green_are_not_mixed(session, tove, idris):
    archive = archive_of(tove, session)
    keep_chart(Viewer(idris), session, Place("Ternholm Links", "green 1"), CHART, "charted")
    before = kept_of(session, idris)
    told = r"green_charts\.jsonl, line 1: a green of that name is charted here too"
    with pytest.raises(DomainError, match=told), session.begin_nested():
        brought(session, idris, archive)
    assert kept_of(session, idris) == before


def test_what_goes_on_here_and_there_is_told(session, tove, idris):
    begin(tove, session, "card", "made", 5, NOW)
    archive = archive_of(tove, session)
    begin(Viewer(idris), session, "card", "made", 5, NOW)
    with pytest.raises(DomainError, match="another session of training goes on here"):
        brought(session, idris, archive)


def test_what_was_changed_here_stays(session, tove):
    archive = archive_of(tove, session)
    (green,) = list_greens(tove, session)
    tilted = ChartReading((3.0, 12.0), "level", 0.0, 0.05)
    edit_chart(tove, session, green.id, lambda chart: Edit(chart.added("readings", tilted), "another"))
    before = kept_of(session, tove.golfer)
    brought(session, tove.golfer, archive)
    assert kept_of(session, tove.golfer) == before


def test_in_competition_neither_way_goes(session, tove):
    playing = replace(tove, mode=Mode.COMPETITION)
    for refused in (
        lambda: ask_for(playing, session, "archive"),
        lambda: archives.give_archive(playing, session, "mine.zip", iter([b"x"])),
    ):
        with pytest.raises(NotAllowedError, match="committee"):
            refused()


DRAWING = '<svg xmlns="http://www.w3.org/2000/svg"><text>1</text></svg>'
PUTT, CHARTS, SPEED = "logged_putts", "green_charts", "speed_notes"
HOSTILE = {
    "no zip": (lambda _: b"hello", "no archive of an account"),
    "empty": (lambda _: b"", "no archive of an account"),
    "cut off": (lambda whole: whole[: len(whole) // 2], "no archive of an account"),
    "another zip": (lambda _: zipped([("a.txt", b"a")]), r"has no manifest\.json"),
    "another way of packing": (
        lambda _: zipped([("manifest.json", b"{}")], zipfile.ZIP_LZMA),
        "packed in a way",
    ),
    "no manifest": (lambda _: zipped([("manifest.json", b"[]")]), r"manifest\.json: "),
    "another version": (
        lambda whole: changed(whole, manifest=lambda told: told | {"version": 9}),
        r"manifest\.json: version",
    ),
    "other tables": (
        lambda whole: changed(whole, manifest=lambda told: told | {"schema_version": "x"}),
        "another version of this program",
    ),
    "a table of nobody's": (
        lambda whole: changed(
            whole, manifest=lambda told: told | {"tables": {"golfers": told["tables"]["courses"]}}
        ),
        "no table 'golfers'",
    ),
    "a file too many": (lambda whole: changed(whole, more=[("../../etc/passwd", b"x")]), "other files"),
    "a file twice": (lambda whole: changed(whole, more=[("courses.jsonl", b"")]), "other files"),
    "other sums": (
        lambda whole: changed(
            whole,
            manifest=lambda told: (
                told | {"tables": told["tables"] | {"courses": {"rows": 1, "sha256": "0" * 64}}}
            ),
        ),
        r"courses\.jsonl: it is not as it was written",
    ),
    "no JSON": (lambda whole: changed(whole, PUTT, lambda _: [b"{\n"]), r"logged_putts\.jsonl, line 1"),
    "no object": (lambda whole: changed(whole, PUTT, lambda _: [b"7\n"]), r"logged_putts\.jsonl, line 1"),
    "an unknown column": (
        lambda whole: changed(whole, PUTT, member("golfer_id", 1)),
        "line 1: golfer_id: Extra inputs",
    ),
    "a long word": (lambda whole: changed(whole, PUTT, member("note", "x" * 501)), "line 1: note: "),
    "no text": (lambda whole: changed(whole, PUTT, member("note", "a\u0000b")), "line 1: it holds a sign"),
    "no number": (
        lambda whole: changed(whole, PUTT, member("length_m", float("nan"))),
        r"line 1: ",
    ),
    "no such length": (
        lambda whole: changed(whole, PUTT, member("length_m", -2.0)),
        r"line 1: it does not fit what a row may be \(ck_logged_putts_length_m\)",
    ),
    "too large a number": (lambda whole: changed(whole, PUTT, member("number", 70_000)), "line 1: number: "),
    "more than anything measures": (
        lambda whole: changed(whole, PUTT, member("past_m", 1e300)),
        "line 1: past_m: ",
    ),
    "a day of no year": (
        lambda whole: changed(whole, PUTT, member("created_at", "9999-12-31T23:59:59.9-23:00")),
        "line 1: ",
    ),
    "a green that is not there": (
        lambda whole: changed(whole, PUTT, member("green_id", str(uuid4()))),
        "line 1: green_id names nothing",
    ),
    "a putt of no putt": (
        lambda whole: changed(whole, PUTT, member("putt_document", {"surface": 1})),
        "line 1: ",
    ),
    "a chart of no chart": (
        lambda whole: changed(whole, CHARTS, member("chart", {"readings": [{"by": "thumb"}]})),
        r"green_charts\.jsonl, line 1: ",
    ),
    "the same key twice": (
        lambda whole: changed(whole, PUTT, lambda lines: [*lines, *lines]),
        r"logged_putts\.jsonl, line 2: ",
    ),
}


@pytest.mark.parametrize("kind", HOSTILE)
def test_what_is_damaged_or_hostile_is_refused_whole_with_the_line(session, tove, idris, kind):
    hostile, told = HOSTILE[kind]
    before = kept_of(session, idris)
    with pytest.raises(DomainError, match=told), session.begin_nested():
        brought(session, idris, hostile(archive_of(tove, session)))
    assert kept_of(session, idris) == before


def hostile_drawing(drawing):
    return '<svg xmlns="http://www.w3.org/2000/svg">' + drawing + "</svg>"


@pytest.mark.parametrize(
    "drawing",
    [
        hostile_drawing("<script>alert(1)</script>"),
        hostile_drawing('<text onclick="alert(1)">1</text>'),
        hostile_drawing('<use href="https://elsewhere.example/a.svg#b"/>'),
        hostile_drawing("<style>text { fill: url(https://elsewhere.example) }</style>"),
        hostile_drawing("<style>@import 'x'</style>"),
        hostile_drawing("<foreignObject><p/></foreignObject>"),
        hostile_drawing("<!-- --><text/>"),
        hostile_drawing("<![CDATA[<script>]]>"),
        "<!DOCTYPE svg [<!ENTITY a 'b'>]>" + DRAWING,
        "<p>no drawing</p>",
        "<svg",
    ],
)
def test_a_drawing_that_acts_or_reaches_out_is_no_drawing(drawing):
    require_drawing(DRAWING)
    with pytest.raises(ValueError, match="pages: a drawing"):
        require_drawing(drawing)


def test_a_job_brings_it_in_or_says_which_line_is_wrong(sessions, session, tove, idris):
    archive = archive_of(tove, session)
    for whole, state in ((changed(archive, PUTT, member("note", 7)), "failed"), (archive, "done")):
        task = archives.give_archive(Viewer(idris), session, "mine.zip", iter([whole]), uuid4())
        job = ask_for(Viewer(idris), session, "archive_in", task)
        session.commit()
        carry_out(sessions, job.id)
        session.expire_all()
        ended = find_job(Viewer(idris), session, job.id)
        assert ended.state == state
        if state == "failed":
            assert ended.why.startswith("logged_putts.jsonl, line 1: note: ")
            assert kept_of(session, idris)["logged_putts"] == []
    (putt,) = kept_of(session, idris)["logged_putts"]
    assert putt["note"] == "dusk"
    assert rows_in(archive, PUTT)[0]["key"] == str(putt["key"])


def test_a_line_of_a_kind_of_speed_that_is_none_is_told(session, idris):
    assert session.scalar(select(func.count()).select_from(METADATA.tables[SPEED])) == 0
    empty = archive_of(Viewer(idris), session)
    line = json.dumps({"key": str(uuid4())}).encode() + b"\n"
    with pytest.raises(DomainError, match=r"speed_notes\.jsonl, line 1: course_id: Field required"):
        brought(session, idris, changed(empty, SPEED, lambda _: [line]))


def test_a_scan_goes_along(session, tove, idris):
    (green,) = list_greens(tove, session)
    scanned(tove, session, green.id)
    brought(session, idris, archive_of(tove, session))
    (same,) = list_greens(Viewer(idris), session)
    scan = find_green(Viewer(idris), session, same.id).chart.scan
    assert scan.steepest == pytest.approx(0.02, abs=1e-3)
    assert kept_of(session, idris)["green_scans"] == kept_of(session, tove.golfer)["green_scans"]
