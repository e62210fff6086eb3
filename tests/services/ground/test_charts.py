"""Greens and their charts, on real PostgreSQL."""

import math
from uuid import uuid4

import numpy as np
import pytest
from sqlalchemy import func, select

from orthocline.core.chart import ChartPin, ChartReading, with_heights
from orthocline.db.ground.models import GreenScan
from orthocline.formats.chart_document import chart_of
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground import charts
from orthocline.services.ground.places import Place
from tests.archived import archive_of, rows_in

PLACE = Place("Ternholm Links", "green 6, Breakwater")
ARROW = ChartReading((1.0, 5.0), "arrow", -0.5 * math.pi, 0.02)


@pytest.fixture
def wren(create_golfer):
    return Viewer(create_golfer())


@pytest.fixture
def green_id(session, wren):
    return charts.new_green(wren, session, PLACE, deep_m=20.0, wide_m=24.0)


def add(wren, session, green_id, one=ARROW, key=None):
    def added(chart):
        return charts.Edit(chart.added("readings", one), "a reading")

    charts.edit_chart(wren, session, green_id, added, key)


def readings(wren, session, green_id):
    return len(charts.find_green(wren, session, green_id).chart.readings)


def test_a_new_green_has_an_outline_of_its_size(session, wren, green_id):
    green = charts.find_green(wren, session, green_id)
    assert green.place == PLACE
    assert green.chart.outline.area_m2 == pytest.approx(math.pi * 10 * 12, rel=0.01)
    assert (green.undoes, green.redoes) == ("", "")
    assert charts.new_green(wren, session, PLACE, deep_m=9.0, wide_m=9.0) == green_id
    assert charts.find_green(wren, session, green_id).chart == green.chart


@pytest.mark.parametrize(
    ("place", "deep", "field"),
    [
        (Place("", "4"), 20.0, "course"),
        (Place("Links", ""), 20.0, "green"),
        (Place("Links", "x" * 99), 20.0, "green"),
        (Place("Links", "4"), 200.0, "deep"),
    ],
)
def test_what_names_no_green_is_said_beside_its_field(session, wren, place, deep, field):
    with pytest.raises(InvalidError) as refused:
        charts.new_green(wren, session, place, deep_m=deep, wide_m=20.0)
    assert refused.value.field == field


def test_edits_are_undone_and_done_again(session, wren, green_id):
    add(wren, session, green_id)
    add(wren, session, green_id)
    charts.undo_edit(wren, session, green_id)
    green = charts.find_green(wren, session, green_id)
    assert (len(green.chart.readings), green.undoes, green.redoes) == (1, "a reading", "a reading")
    charts.redo_edit(wren, session, green_id)
    charts.redo_edit(wren, session, green_id)
    assert readings(wren, session, green_id) == 2
    for _ in range(5):
        charts.undo_edit(wren, session, green_id)
    assert readings(wren, session, green_id) == 0
    add(wren, session, green_id)
    green = charts.find_green(wren, session, green_id)
    assert (len(green.chart.readings), green.redoes) == (1, "")


def test_only_the_last_edits_are_kept(session, wren, green_id, monkeypatch):
    monkeypatch.setattr(charts, "UNDO_STEPS", 3)
    for _ in range(6):
        add(wren, session, green_id)
    for _ in range(6):
        charts.undo_edit(wren, session, green_id)
    assert readings(wren, session, green_id) == 4


def test_the_same_edit_sent_twice_is_one(session, wren, green_id):
    key = uuid4()
    add(wren, session, green_id, key=key)
    add(wren, session, green_id, key=key)
    assert readings(wren, session, green_id) == 1


def test_the_same_edit_again_is_not_made_though_it_could_not_be_made_now(session, wren, green_id):
    def removed(chart):
        return charts.Edit(chart.removed("readings", 0), "removed")

    add(wren, session, green_id)
    key = uuid4()
    for _ in range(2):
        charts.edit_chart(wren, session, green_id, removed, key)
    assert readings(wren, session, green_id) == 0
    with pytest.raises(InvalidError):
        charts.edit_chart(wren, session, green_id, removed)


def test_an_edit_that_makes_no_chart_changes_nothing(session, wren, green_id):
    for edit in (
        lambda chart: chart.removed("readings", 3),
        lambda chart: chart.added("readings", ChartReading((1.0, 1.0), "arrow", 0.0, 0.9)),
        lambda chart: chart.added("pins", ChartPin((1.0, 1.0), "n" * 99)),
    ):
        with pytest.raises(InvalidError):
            charts.edit_chart(
                wren, session, green_id, lambda chart, to=edit: charts.Edit(to(chart), "nonsense")
            )
    assert charts.find_green(wren, session, green_id).undoes == ""


def test_a_neighbours_green_is_not_there_and_competition_has_no_maps(session, wren, green_id, create_golfer):
    tove = Viewer(create_golfer("Idris"))
    for ask in (charts.find_green, charts.undo_edit, charts.redo_edit):
        with pytest.raises(NotFoundError):
            ask(tove, session, green_id)
        with pytest.raises(NotAllowedError):
            ask(Viewer(wren.golfer, Mode.COMPETITION), session, green_id)
    with pytest.raises(NotFoundError):
        add(tove, session, green_id)
    assert charts.list_greens(tove, session) == ()


@pytest.mark.usefixtures("green_id")
def test_a_green_is_named_once_on_its_course(session, wren):
    other = charts.new_green(wren, session, Place(PLACE.course, "putting"), deep_m=20.0, wide_m=24.0)
    with pytest.raises(InvalidError):
        charts.describe_green(wren, session, other, name=PLACE.green.upper(), character="", note="")
    charts.describe_green(wren, session, other, name="putting", character="Flat and quick.", note="")
    assert charts.find_green(wren, session, other).character == "Flat and quick."


def test_charts_go_with_the_archive(session, wren, green_id):
    add(wren, session, green_id)
    assert rows_in(archive_of(wren, session), "green_charts")[-1]["chart"]["readings"][0]["percent"] == 2.0


def test_what_is_known_is_worked_out_once(session, wren, green_id):
    assert charts.known_of(wren, charts.find_green(wren, session, green_id).chart, {}) is None
    add(wren, session, green_id)
    chart = charts.find_green(wren, session, green_id).chart
    known = charts.known_of(wren, chart, {})
    assert known.fall_at((1.0, 5.0)).tilt == pytest.approx(0.02, abs=0.003)
    assert charts.known_of(wren, charts.find_green(wren, session, green_id).chart, {}) is known


def scanned(wren, session, green_id, seed=1):
    """Let a green be scanned, falling by 2 percent to its front."""
    at = np.random.default_rng(seed).uniform((-12, 0), (12, 20), (900, 2))
    points = np.column_stack([at, 0.02 * at[:, 1]])
    charts.edit_chart(
        wren, session, green_id, lambda chart: charts.Edit(with_heights(chart, points), "scanned")
    )
    return charts.find_green(wren, session, green_id)


def scans(session):
    session.expire_all()
    return session.scalar(select(func.count()).select_from(GreenScan))


def test_a_scan_is_kept_once_and_undone_with_its_edit(session, wren, green_id):
    green = scanned(wren, session, green_id)
    assert green.chart.scan.steepest == pytest.approx(0.02, abs=1e-3)
    add(wren, session, green_id)
    edited = charts.find_green(wren, session, green_id)
    assert edited.chart.scan is green.chart.scan
    assert scans(session) == 1
    assert charts.list_greens(wren, session)[0].scanned
    charts.undo_edit(wren, session, green_id)
    charts.undo_edit(wren, session, green_id)
    assert charts.find_green(wren, session, green_id).chart.scan is None
    add(wren, session, green_id)
    assert scans(session) == 0


def test_a_scanned_green_is_known_without_a_reading(session, wren, green_id):
    green = scanned(wren, session, green_id)
    known = charts.known_of(wren, green.chart, {})
    assert known.fall_at((0.0, 9.0)).tilt == pytest.approx(0.02, abs=2e-4)
    assert charts.known_of(wren, charts.find_green(wren, session, green_id).chart, {}) is known


def test_a_scan_goes_with_the_archive(session, wren, green_id):
    scanned(wren, session, green_id)
    archive = archive_of(wren, session)
    (scan,) = rows_in(archive, "green_scans")
    again = chart_of(rows_in(archive, "green_charts")[-1]["chart"] | {"scan": scan["scan"]})
    assert again.scan.steepest == pytest.approx(0.02, abs=1e-3)
    assert again.corners
