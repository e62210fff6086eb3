"""Tables go up and down, match the models, and what was kept outlives each change."""

import pytest
from sqlalchemy import NullPool, create_engine, text

from orthocline.db.server.migrate import differences, downgrade, upgrade

KEPT = """
INSERT INTO golfers (name, password_hash) VALUES ('ΝΙΚΟΣ', 'x'), ('νικος', 'x'), ('Tove', 'x');
INSERT INTO own_measures (golfer_id, stride_tries, stroke_putts) VALUES
  (1, '[{"paces": 10, "tape_m": 8.5}, {"paces": 20, "tape_m": 17}]', '[]'),
  (2, '[]', '[{"stroke_m": 0.3, "roll_m": 4, "green_speed_ft": 10}]');
INSERT INTO speed_notes (golfer_id, course, measured_at, method, speed_ft, sd_ft)
  VALUES (1, 'Ternholm', now(), 'ramp', 10, 0.2);
INSERT INTO logged_putts (golfer_id, length_m) VALUES (1, 3), (2, 4)
"""


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
    assert len(ask(url, "SELECT DISTINCT key FROM logged_putts")) == 2
    assert ask(url, "SELECT DISTINCT mode FROM golfers") == [("open_play",)]
    downgrade(url, "2026_11_23_speeds_and_measures", even_rows=True)
    assert ask(url, measures) == before
    assert ask(url, "SELECT DISTINCT mode FROM golfers") == [("practice",)]
    assert ask(url, "SELECT length_m FROM logged_putts ORDER BY id") == [(3.0,), (4.0,)]
    assert ask(url, "SELECT course, speed_ft FROM speed_notes") == [("Ternholm", 10.0)]
