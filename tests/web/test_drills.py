"""Drills: the shelf, a drill set up in one's own units, one tap a ball, and how it goes in time."""

import math
import re
from datetime import timedelta

import pytest
from sqlalchemy import select

from orthocline.db.train.models import DrillRun
from orthocline.services.train import drills as drill_service
from orthocline.services.train.drills import SHIPPED, shelf_of
from tests.page import link, links, parsed, text, words_at


@pytest.fixture
def run(signed_in):
    """The address of a run of tuning putts: five balls."""
    return signed_in.post("/train/drills/tuning_putts/begin").location


def tap(client, run, outcome, number):
    return client.post(f"{run}/ball", data={"outcome": outcome, "number": number})


def test_the_shelf_has_all_drills_by_what_they_train(client):
    page = client.get("/train/drills")
    assert len(links(page, "/train/drills/")) == 16
    assert [one.get_text() for one in parsed(page).select("main h2")] == [
        *("pace", "start line", "reading", "aim", "strike", "tempo")
    ]


@pytest.mark.parametrize("name", [one.name.removesuffix(".toml") for one in SHIPPED.iterdir()])
def test_each_drill_is_drawn_and_has_a_golfer_to_compare_with(client, name):
    page = client.get(f"/train/drills/{name}")
    assert parsed(page).find(id="setup")
    said = words_at(page, "#target")
    assert said.startswith(("A usual middle-handicap golfer: ", "The model has no golfer"))


def test_a_file_that_is_none_is_named_and_the_others_stand(client, tmp_path, monkeypatch):
    (tmp_path / "good.toml").write_text((SHIPPED / "start_gate.toml").read_text())
    (tmp_path / "bad.toml").write_text('name = "Bad"\nminutes = 3\n')
    (tmp_path / "torn.toml").write_text("name = ")
    (tmp_path / "notes.txt").write_text("nothing")
    (tmp_path / f"{'long' * 11}.toml").write_text((SHIPPED / "start_gate.toml").read_text())
    monkeypatch.setattr(drill_service, "shipped_shelf", lambda: shelf_of(tmp_path))
    page = client.get("/train/drills")
    assert len(links(page, "/train/drills/")) == 1
    assert "The file bad is no drill: outcomes: is missing." in text(page)
    assert "The file torn is no drill" in text(page)
    assert "its name has more than 40 letters" in text(page)
    assert client.get("/train/drills/bad").status_code == 404


def test_adding_a_drill_is_adding_a_file(signed_in, tmp_path, monkeypatch, session):
    made = (SHIPPED / "tuning_putts.toml").read_text().replace("Tuning putts", "Ten and home")
    (tmp_path / "ten_and_home.toml").write_text(made.replace("times = 5", "times = 2"))
    monkeypatch.setattr(drill_service, "shipped_shelf", lambda: shelf_of(tmp_path))
    page = signed_in.get(link(signed_in.get("/train/drills"), "Ten and home"))
    assert "2 balls" in text(page)
    run = signed_in.post("/train/drills/ten_and_home/begin").location
    for number in (1, 2):
        tap(signed_in, run, "in", number)
    assert words_at(signed_in.get(run), "h1") == "2 of 2"
    assert session.scalar(select(DrillRun.drill)) == "ten_and_home"


def test_a_length_of_ones_own_is_drawn_and_kept_with_the_run(signed_in, session):
    page = signed_in.get("/train/drills/pace_ladder", query_string={"zone": "3 ft"})
    assert "zone 3 ft deep" in text(page)
    for wrong, says in (("far", "Your zone behind each coin"), ("20 ft", "must be from 0.5 ft to 6 ft")):
        page = signed_in.get("/train/drills/pace_ladder", query_string={"zone": wrong})
        assert page.status_code == 422
        assert says in text(page)
        assert parsed(page).find(id="own-zone")["value"] == wrong
        assert signed_in.post("/train/drills/pace_ladder/begin", data={"zone": wrong}).status_code == 422
    signed_in.post("/train/drills/pace_ladder/begin", data={"zone": "3 ft"})
    assert session.scalar(select(DrillRun.own))["zone"] == pytest.approx(0.9144)


def test_one_tap_notes_a_ball_and_a_second_tab_adds_none(signed_in, run):
    assert words_at(signed_in.get(run), "#ball") == "1"
    assert tap(signed_in, run, "in", 1).location == run
    tap(signed_in, run, "short", 1)
    assert words_at(signed_in.get(run), "#ball") == "2"
    tap(signed_in, run, "long", 2)
    signed_in.post(f"{run}/back", data={"number": 2})
    signed_in.post(f"{run}/back", data={"number": 2})
    assert words_at(signed_in.get(run), "#ball") == "2"


def test_it_ends_with_its_last_ball_and_is_set_beside_the_models_golfer(signed_in, run):
    for number, outcome in enumerate(("in", "in", "short", "in", "long"), start=1):
        tap(signed_in, run, outcome, number)
    page = signed_in.get(run)
    assert words_at(page, "h1") == "3 of 5"
    assert "A usual middle-handicap golfer: 48 of 100. 12 of 100 better" in words_at(page, "#beside")
    over = tap(signed_in, run, "in", 6)
    assert over.status_code == 422
    assert "This drill has 5 balls, and all are noted." in text(over)
    history = signed_in.get("/train/drills/tuning_putts")
    assert len(parsed(history).select("[data-part=run]")) == 1
    assert "last 3 of 5" in text(signed_in.get("/train/drills"))


def test_an_interrupted_drill_is_taken_up_and_another_one_ends_it(signed_in, run, session):
    tap(signed_in, run, "in", 1)
    assert link(signed_in.get("/train/drills"), "Go on: Tuning putts, ball 2 of 5") == run
    signed_in.post("/train/drills/start_gate/begin")
    rows = session.scalars(select(DrillRun).order_by(DrillRun.id)).all()
    assert [(one.points, one.ended_at is None) for one in rows] == [(1.0, False), (0.0, True)]
    signed_in.post(f"/train/drills/runs/{rows[1].id}/stop")
    assert "No ball was noted." in text(signed_in.get(f"/train/drills/runs/{rows[1].id}"))


def test_a_drill_that_is_taken_off_the_shelf_is_not_gone_on_with(signed_in, run, tmp_path, monkeypatch):
    monkeypatch.setattr(drill_service, "shipped_shelf", lambda: shelf_of(tmp_path))
    assert "Go on" not in text(signed_in.get("/train/drills"))
    assert signed_in.get(run).status_code == 404


def test_what_is_no_outcome_no_number_or_no_run_of_ones_own_is_refused(signed_in, run):
    assert tap(signed_in, run, "eagle", 1).status_code == 422
    assert tap(signed_in, run, "in", "x").location == run
    assert signed_in.get("/train/drills/runs/999").status_code == 404
    assert signed_in.get("/train/drills/nothing").status_code == 404
    assert signed_in.post("/train/drills/nothing/begin").status_code == 404


def test_drills_follow_the_golfers_units(signed_in):
    signed_in.post(
        "/measures",
        data={"units": "metres", "slopes": "degrees", "bend": "break", "hand": "right", "eye": "unknown"},
    )
    page = signed_in.get("/train/drills/pace_ladder")
    drawn = " ".join(one.get_text() for one in parsed(page).select("#setup text"))
    assert "3.05 m" in drawn
    assert " ft" not in drawn


def test_drills_are_off_in_competition(signed_in):
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.get("/train/drills").status_code == 403


def checked(client, name, offs):
    """Return the address of a run whose figures are typed, one after the other."""
    run = client.post(f"/train/drills/{name}/begin").location
    for number, off in enumerate(offs, start=1):
        assert client.post(f"{run}/ball", data={"off": off, "number": number}).location == run
    return run


def test_an_aim_check_has_its_own_bias_and_spread_in_my_measures(signed_in, session):
    """Half an inch to three inches left at ten feet: 1.75 in, 0.84 degrees."""
    offs = ("3 in left", "0.5 in left", "2 in left", "1.5 in left", "2.5 in left", "1 in left")
    run = checked(signed_in, "aim_check", offs)
    figures = session.scalar(select(DrillRun.figures))
    assert figures[0] == pytest.approx(-math.atan(3.0 / 120.0))
    assert session.scalar(select(DrillRun.noted))[:2] == ["left_2", "on"]
    for number in range(7, 11):
        tap(signed_in, run, "left_1", number)
    said = words_at(signed_in.get(run), "#own")
    assert said.startswith("You aim 0.8° (")
    assert "left, by 10 checks: 1¾ in on 10 ft" in said
    section = words_at(signed_in.get("/measures"), "#checks")
    assert said in section
    assert "Silent count. 6 more counts" in section
    assert len(parsed(signed_in.get("/train/drills/aim_check")).select("[data-part=check]")) == 10
    signed_in.post("/mode", data={"mode": "competition"})
    competing = signed_in.get("/measures")
    assert said in words_at(competing, "#checks")
    assert not links(competing, "/train/drills/")


def test_a_count_is_early_or_late_and_what_is_taken_back_counts_no_more(signed_in, session):
    run = checked(signed_in, "silent_count", ("0.04 s late", "0.26 s early"))
    assert session.scalar(select(DrillRun.noted)) == ["on", "early_3"]
    signed_in.post(f"{run}/back", data={"number": 2})
    session.expire_all()
    assert session.scalar(select(DrillRun.figures)) == [0.04]
    assert "5 more counts" in words_at(signed_in.get("/train/drills/silent_count"), "#own")


@pytest.mark.parametrize(
    ("name", "typed", "says"),
    [
        ("aim_check", "somewhere", "How far off cannot be read"),
        ("aim_check", "9 ft left", "must be at most 3.3 ft"),
        ("silent_count", "soon", "How far off cannot be read"),
        ("silent_count", "3 s late", "must be at most 1 s"),
    ],
)
def test_what_is_no_figure_is_named_and_stays_as_typed(signed_in, name, typed, says):
    run = signed_in.post(f"/train/drills/{name}/begin").location
    page = signed_in.post(f"{run}/ball", data={"off": typed, "number": 1})
    assert page.status_code == 422
    assert says in text(page)
    assert parsed(page).find(id="off")["value"] == typed


def test_whether_it_helped_is_said_after_four_times(signed_in, session):
    for balls in (("short",) * 5, ("in", *("short",) * 4), ("in", "in", "in", "short", "long"), ("in",) * 5):
        run = signed_in.post("/train/drills/tuning_putts/begin").location
        for number, outcome in enumerate(balls, start=1):
            tap(signed_in, run, outcome, number)
    assert parsed(signed_in.get("/train/drills/tuning_putts")).find(id="trend") is None
    for week, row in enumerate(session.scalars(select(DrillRun).order_by(DrillRun.id))):
        row.begun_at -= timedelta(weeks=3 - week)
    session.commit()
    said = words_at(signed_in.get("/train/drills/tuning_putts"), "#trend")
    assert said.startswith("34 of 100 more each week (")


def test_a_left_hander_stands_on_the_other_side_and_has_the_same_putt(signed_in):
    def drawn(name):
        page = parsed(signed_in.get("/train/drills/curve_gate")).select_one("#setup")
        found = page.select_one(f"[data-part={name}]")
        return [float(one) for one in re.findall(r"[\d.]+", str(found.get("d") or found.get("cx")))]

    right_foot, right_gate = drawn("foot")[0], drawn("post")[0]
    fields = {"units": "feet", "slopes": "percent", "bend": "break", "hand": "left", "eye": "unknown"}
    signed_in.post("/measures", data=fields)
    assert drawn("foot")[0] > right_foot
    assert drawn("post")[0] < right_gate
