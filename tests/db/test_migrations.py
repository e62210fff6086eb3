"""Tables go up and down, match the models, and what was kept outlives each change."""

from urllib.parse import parse_qs

import pytest
from sqlalchemy import NullPool, create_engine, text

from orthocline.db.server.migrate import differences, downgrade, upgrade

KEPT = """
INSERT INTO golfers (name, password_hash) VALUES ('ΝΙΚΟΣ', 'x'), ('νικος', 'x'), ('Tove', 'x');
UPDATE golfers SET mode = 'competition' WHERE id = 3;
INSERT INTO own_measures (golfer_id, stride_tries, stroke_putts) VALUES
  (1, '[{"paces": 10, "tape_m": 8.5}, {"paces": 20, "tape_m": 17}]', '[]'),
  (2, '[]', '[{"stroke_m": 0.3, "roll_m": 4, "green_speed_ft": 10}]');
INSERT INTO speed_notes (golfer_id, course, measured_at, method, speed_ft, sd_ft)
  VALUES (1, 'Ternholm', now(), 'ramp', 10, 0.2), (1, 'Ternholm Links, North', now(), 'ramp', 9, 0.2);
INSERT INTO logged_putts (golfer_id, length_m, place) VALUES (1, 3, ''), (2, 4, 'Curlew'),
  (1, 5, 'TERNHOLM, green 4, Spindrift'), (1, 6, 'ternholm links, north, green 2'),
  (1, 7, 'Ternholm Links, north'), (2, 8, 'Ternholm, green 4')
"""
KEPT_SPEED = "course, measured_at, method, speed_ft, sd_ft"
PLACES = """SELECT p.length_m, c.name, g.name FROM logged_putts AS p
LEFT JOIN courses AS c ON c.id = course_id LEFT JOIN greens AS g ON g.id = green_id ORDER BY p.id"""


@pytest.fixture
def url(cluster):
    cluster.create_database("orthocline_test_migrations", fresh=True)
    return cluster.url("orthocline_test_migrations")


def ask(url, query):
    with create_engine(url, poolclass=NullPool).begin() as connection:
        answer = connection.execute(text(query))
        return [tuple(row) for row in answer] if answer.returns_rows else []


def test_tables_go_up_and_down_and_match_the_models(url):
    upgrade(url)
    assert differences(url) == []
    downgrade(url, "base")
    upgrade(url)
    assert differences(url) == []


def test_what_was_kept_outlives_new_tables_and_their_going(url):
    upgrade(url, "2026_11_23_speeds_and_measures")
    ask(url, KEPT)
    measures = "SELECT golfer_id, stride_tries, stroke_putts FROM own_measures ORDER BY golfer_id"
    before = ask(url, measures)
    upgrade(url)
    assert ask(url, "SELECT golfer_id, paces, tape_m FROM stride_trials ORDER BY id") == [
        (1, 10.0, 8.5),
        (1, 20.0, 17.0),
    ]
    assert len({name for (name,) in ask(url, "SELECT folded(name) FROM golfers")}) == 3
    assert len(ask(url, "SELECT DISTINCT key FROM logged_putts")) == 6
    assert ask(url, "SELECT id FROM golfers WHERE competition_until > now()") == [(3,)]
    downgrade(url, "2026_11_23_speeds_and_measures", even_rows=True)
    assert ask(url, measures) == before
    assert ask(url, "SELECT mode FROM golfers ORDER BY id") == [
        ("practice",),
        ("practice",),
        ("competition",),
    ]
    assert ask(url, "SELECT length_m FROM logged_putts ORDER BY id") == [(n,) for n in (3, 4, 5, 6, 7, 8)]
    assert ask(url, "SELECT course, speed_ft FROM speed_notes ORDER BY id") == [
        ("Ternholm", 10.0),
        ("Ternholm Links, North", 9.0),
    ]


RAMP = (
    "length=76.2+cm&angle=20+deg&rails=rods&gap=20+mm&groove=145+deg&level=1.1+deg&level_way=down&averaged=1"
    "&place=Ternholm&out=9+ft+2+in&out=3+paces&out=9+2%C2%BE&back=2%2C7+m&left_out=out-2"
)
TIMED = "by=timed&length=4&times=3.5&times=3.6+s&grade=-0.8+%25"


def test_evidence_becomes_figures_and_is_an_address_again_on_the_way_back(url):
    upgrade(url, "2026_11_23_speeds_and_measures")
    ask(url, KEPT)
    ask(url, "UPDATE own_measures SET units = 'metres'")
    for method, evidence in (("ramp", RAMP), ("timed", TIMED), ("posted", "posted=soon")):
        values = f"(1, 'Ternholm', now(), '{method}', 10, 0.2, '{evidence}')"
        ask(url, f"INSERT INTO speed_notes (golfer_id, {KEPT_SPEED}, evidence) VALUES {values}")
    upgrade(url)
    found = dict(ask(url, "SELECT method, evidence FROM speed_notes WHERE evidence IS NOT NULL"))
    ramp = found["ramp"]["figures"]
    assert {name: ramp[name][0]["figure"] for name in ("length", "gap", "angle")} == pytest.approx(
        {"length": 0.762, "gap": 0.02, "angle": 20.0}
    )
    assert ramp["level"][0]["figure"] == pytest.approx(0.0192, abs=1e-4)
    assert [one["figure"] for one in ramp["out"]] == pytest.approx([2.794, 2.55, 9.0 + 2.75], abs=1e-3)
    assert [one.get("left_out") for one in ramp["out"]] == [None, True, None]
    assert ramp["back"][0]["figure"] == 2.7
    assert found["ramp"]["choices"] == {"rails": "rods", "level_way": "down", "level_with": "level_averaged"}
    timed = {name: [one["figure"] for one in noted] for name, noted in found["timed"]["figures"].items()}
    assert timed == {"length": [4.0], "times": [3.5, 3.6], "grade": [-0.008]}
    assert found["posted"]["figures"]["posted"] == [{"typed": "soon", "figure": None}]
    downgrade(url, "2026_11_26_courses", even_rows=True)
    ((again,),) = ask(url, "SELECT evidence FROM speed_notes WHERE method = 'timed'")
    assert parse_qs(again) == parse_qs(TIMED)


def test_places_become_courses_and_greens_and_are_named_again_on_the_way_back(url):
    upgrade(url, "2026_11_23_speeds_and_measures")
    ask(url, KEPT)
    upgrade(url)
    assert ask(url, PLACES) == [
        (3.0, None, None),
        (4.0, "Curlew", None),
        (5.0, "Ternholm", "green 4, Spindrift"),
        (6.0, "Ternholm Links, North", "green 2"),
        (7.0, "Ternholm Links, North", None),
        (8.0, "Ternholm", "green 4"),
    ]
    assert len(ask(url, "SELECT DISTINCT id FROM courses")) == 4
    downgrade(url, "2026_11_26_open_play", even_rows=True)
    assert ask(url, "SELECT place FROM logged_putts ORDER BY id") == [
        ("",),
        ("Curlew",),
        ("Ternholm, green 4, Spindrift",),
        ("Ternholm Links, North, green 2",),
        ("Ternholm Links, North",),
        ("Ternholm, green 4",),
    ]
