"""Whole-green studies on real PostgreSQL: asked for, worked out by the engine, gone on with, kept, let go."""

import json
import math
from pathlib import Path
from uuid import uuid4

import numpy as np
import pytest
from sqlalchemy import select

from orthocline.core.account import GOLFERS, USUAL_PASTS
from orthocline.core.chart import Chart, ChartPin, ChartReading, Known, surveyed
from orthocline.core.ground import Grid
from orthocline.core.study import Study, played_at
from orthocline.db.ground.models import GreenStudy
from orthocline.db.jobs.models import Job, JobPiece
from orthocline.engine import blocks
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.carry.archive_checks import CHECKS
from orthocline.services.demo import study
from orthocline.services.demo.golfer import OF_GREENS, SEED
from orthocline.services.demo.greens import DEMO_GREENS, demo_charts
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground import charts, studies, study_asked, studying
from orthocline.services.ground.places import Place
from orthocline.services.jobs import jobs

PLACE = Place("Ternholm Links", "green 6, Breakwater")
CORNERS = ((-1.6, 0.0), (1.6, 0.0), (1.6, 2.4), (-1.6, 2.4))
DOWN = -0.5 * math.pi
READ = tuple(ChartReading(at, "level", DOWN, 0.02) for at in ((-1.0, 0.5), (1.0, 0.6), (0.0, 2.0)))


@pytest.fixture
def wren(create_golfer):
    return Viewer(create_golfer())


@pytest.fixture
def green_id(session, wren):
    chart = Chart(CORNERS, READ, (ChartPin((0.0, 1.2), "middle"),))
    return charts.keep_chart(wren, session, PLACE, chart, "charted")


@pytest.fixture
def asked(session, wren, green_id):
    """The number of a study that was asked for, and of its job."""
    study_id = study_asked.ask_study(wren, session, green_id, 10.0, "middle", faster=True)
    session.commit()
    return study_id, session.get(GreenStudy, study_id).job_id


@pytest.fixture
def here(monkeypatch):
    """Work blocks out in this process, one item after the other from the last; says which were asked for."""
    asked = []

    def worked_out(work, told, items):
        asked.extend(items)
        for number in reversed(range(len(items))):
            yield number, work(told, items[number])

    monkeypatch.setattr(blocks, "worked_out", worked_out)
    return asked


def job_of(session, job_id):
    session.expire_all()
    return session.get(Job, job_id)


@pytest.mark.usefixtures("here")
def test_every_place_is_played_at_both_speeds_and_kept_with_the_green(session, sessions, wren, asked):
    study_id, job_id = asked
    jobs.carry_out(sessions, job_id)
    job = job_of(session, job_id)
    found = studies.find_study(wren, session, study_id, {})
    assert (job.state, job.why, job.done) == ("done", "", job.total)
    count = len(found.holes.places_m)
    assert job.total == 2 * count
    assert found.speeds_ft == (10.0, 11.0)
    assert found.part.rolls == 2 * count * 24 * 512
    ground = Grid((-8.0, -8.0), 0.5, 0.02 * np.arange(-8.0, 10.0, 0.5)[:, None] + np.zeros((36, 32)))
    place = count // 2
    for speed, rows in zip((10.0, 11.0), found.holes.played, strict=True):
        one = Study(ground, found.known.outline, speed, GOLFERS["middle"], USUAL_PASTS)
        x, y = found.holes.places_m[place].tolist()
        assert rows[place] == pytest.approx(played_at(one, (x, y))[:4], abs=0.02, nan_ok=True)


def test_what_was_left_is_gone_on_with(session, sessions, wren, asked, here, monkeypatch):
    study_id, job_id = asked
    monkeypatch.setattr(jobs, "PIECE_S", 0.0)
    with sessions.begin() as other:
        rows = [[0, 1.0, 0.5, 0.25, None, 7], [5, 1.0, 0.5, 0.25, 0.125, 7]]
        content = "".join(f"{json.dumps(row)}\n" for row in rows).encode()
        other.add(JobPiece(job_id=job_id, number=0, content=content))
    jobs.carry_out(sessions, job_id)
    found = studies.find_study(wren, session, study_id, {})
    assert job_of(session, job_id).state == "done"
    assert len(here) == 2 * len(found.holes.places_m) - 2
    assert found.holes.played[0, 5].tolist() == [1.0, 0.5, 0.25, 0.125]
    assert np.isnan(found.holes.played[0, 0, 3])
    pieces = session.scalars(select(JobPiece).where(JobPiece.job_id == job_id)).all()
    assert next(one.content for one in pieces if one.number == 0) == content, "what was made stays"
    assert len(b"".join(one.content for one in pieces).splitlines()) == len(here) + 2


def test_the_same_is_asked_for_once(session, sessions, wren, green_id, asked, here):
    again = study_asked.ask_study(wren, session, green_id, 10.0, "middle", faster=True)
    other = study_asked.ask_study(wren, session, green_id, 10.0, "new", faster=True)
    session.commit()
    assert again == asked[0] != other
    jobs.carry_out(sessions, asked[1])
    assert here
    session.expire_all()
    assert study_asked.ask_study(wren, session, green_id, 10.0, "middle", faster=True) == asked[0]
    failed = session.get(GreenStudy, other)
    session.get(Job, failed.job_id).state = "failed"
    session.flush()
    assert study_asked.ask_study(wren, session, green_id, 10.0, "new", faster=True) != other


def test_a_form_sent_again_is_the_same_study_whatever_became_of_it(session, wren, green_id):
    key = uuid4()
    first = study_asked.ask_study(wren, session, green_id, 9.0, "low", faster=False, key=key)
    session.get(Job, session.get(GreenStudy, first).job_id).state = "cancelled"
    session.flush()
    assert study_asked.ask_study(wren, session, green_id, 9.0, "low", faster=False, key=key) == first
    assert study_asked.ask_study(wren, session, green_id, 9.0, "low", faster=False, key=uuid4()) != first


def test_an_engine_that_comes_to_no_end_says_so(session, sessions, wren, asked, monkeypatch):
    def worked_out(*_):
        raise blocks.EngineError("The scheduler went away.")
        yield

    monkeypatch.setattr(blocks, "worked_out", worked_out)
    jobs.carry_out(sessions, asked[1])
    job = job_of(session, asked[1])
    assert (job.state, job.why) == ("failed", "The scheduler went away.")
    found = studies.find_study(wren, session, asked[0], {})
    assert found.holes is None
    assert study_asked.progress_of(wren, session, found).why == "The scheduler went away."


@pytest.mark.usefixtures("here")
def test_a_chart_that_changed_meanwhile_is_not_mixed_with_the_old(session, sessions, wren, green_id, asked):
    charts.edit_chart(
        wren, session, green_id, lambda chart: charts.Edit(chart.removed("readings", 0), "less")
    )
    session.commit()
    jobs.carry_out(sessions, asked[1])
    assert job_of(session, asked[1]).why == studying.CHANGED
    assert studies.find_study(wren, session, asked[0], {}).is_old


@pytest.mark.parametrize(
    ("speed", "level", "field"),
    [(99.0, "middle", "speed"), (10.0, "pro", "level"), (math.nan, "new", "speed")],
)
def test_what_is_no_study_is_said_beside_its_field(session, wren, green_id, speed, level, field):
    with pytest.raises(InvalidError) as refused:
        study_asked.ask_study(wren, session, green_id, speed, level, faster=True)
    assert refused.value.field == field


def test_a_green_of_which_nothing_is_read_has_no_ground(session, wren):
    bare = charts.new_green(wren, session, PLACE, deep_m=20.0, wide_m=24.0)
    with pytest.raises(InvalidError, match="Nothing is read"):
        study_asked.ask_study(wren, session, bare, 10.0, "middle", faster=True)


def test_it_is_the_greens_and_off_in_competition(session, wren, green_id, asked, create_golfer):
    other = Viewer(create_golfer("Idris"))
    for attempt in (
        lambda: studies.find_study(other, session, asked[0], {}),
        lambda: studies.list_studies(other, session, green_id),
        lambda: studies.delete_study(other, session, asked[0]),
        lambda: study_asked.ask_study(other, session, green_id, 10.0, "middle", faster=True),
        lambda: study_asked.study_of_job(other, session, asked[1]),
    ):
        with pytest.raises(NotFoundError):
            attempt()
    playing = Viewer(wren.golfer, Mode.COMPETITION)
    with pytest.raises(NotAllowedError, match="committee"):
        studies.find_study(playing, session, asked[0], {})


def test_it_is_deleted_with_a_way_back(session, wren, green_id, asked):
    assert studies.delete_study(wren, session, asked[0]) == green_id
    assert not studies.list_studies(wren, session, green_id)
    with pytest.raises(NotFoundError):
        studies.find_study(wren, session, asked[0], {})
    assert studies.restore_study(wren, session, asked[0]) == green_id
    assert [one.id for one in studies.list_studies(wren, session, green_id)] == [asked[0]]


def test_one_more_than_are_kept_is_refused(session, wren, green_id, asked, monkeypatch):
    monkeypatch.setattr(study_asked, "MOST_STUDIES", 1)
    assert asked
    with pytest.raises(InvalidError, match="are kept"):
        study_asked.ask_study(wren, session, green_id, 9.0, "middle", faster=True)


ROW = {"level": "middle", "speeds_ft": [10.0]}
FOUND = {"places_m": [[0.0, 1.0]], "played": [[[1.0, 0.9, 0.6, None]]], "rolls": 7}


def test_a_study_in_an_archive_is_looked_at_before_it_is_brought_in():
    CHECKS["green_studies"]({**ROW, "found": None})
    CHECKS["green_studies"]({**ROW, "found": FOUND})


@pytest.mark.parametrize(
    "wrong",
    [
        {"level": "pro"},
        {"speeds_ft": [99.0]},
        {"speeds_ft": [10.0, 11.0]},
        {"found": {**FOUND, "played": [[]]}},
        {"found": {**FOUND, "played": [[[1.0, 0.9, 7.0, None]]]}},
        {"found": {**FOUND, "places_m": [["a", 1.0]]}},
        {"found": {**FOUND, "more": 1}},
        {"found": {"places_m": [], "played": [[]], "rolls": 0}},
    ],
)
def test_what_is_no_study_is_not_brought_in(wrong):
    with pytest.raises(ValueError, match=r"."):
        CHECKS["green_studies"]({**ROW, "found": FOUND, **wrong})


def test_the_study_that_the_demo_has_is_what_is_worked_out_now():
    charts = demo_charts(np.random.default_rng(SEED + OF_GREENS))
    chart = charts[DEMO_GREENS.index(study.BREAKWATER)]
    plan = studying.Plan(Known(surveyed(chart.readings, {}), chart.outline), study.SPEEDS_FT, study.LEVEL)
    kept = json.loads((Path(study.__file__).parent / study.FILE).read_text())
    assert kept["places_m"] == plan.places.tolist()
    for number in (400, 1700, 2100):
        speed, place = divmod(number, len(plan.places))
        # A ball more or less of four thousand: processors round differently.
        told = [math.nan if one is None else one for one in kept["played"][speed][place]]
        assert told == pytest.approx(studying.played_of(plan.studies, plan.item(number))[:4], abs=5e-4)
