"""A backup holds everything, is private and checked; restoring never overwrites without being told."""

import stat

import pytest
from click.testing import CliRunner
from sqlalchemy import NullPool, create_engine, text

from orthocline.cli.main import main


@pytest.fixture
def database(cluster, copy_demo, monkeypatch):
    """A database of its own with the demo data, as `DATABASE_URL` names it."""
    monkeypatch.setenv("DATABASE_URL", copy_demo("orthocline_test_backup"))
    engine = create_engine(cluster.url("orthocline_test_backup"), poolclass=NullPool)

    def ask(query):
        with engine.begin() as connection:
            answer = connection.execute(text(query))
            return answer.scalar() if answer.returns_rows else None

    return ask


def run(*args, **more):
    return CliRunner().invoke(main, [str(arg) for arg in args], **more)


EVERYTHING = "SELECT md5(string_agg(p::text, '' ORDER BY id)) FROM logged_putts p"


def test_backup_and_restore_bring_everything_back(database, tmp_path):
    file, before = tmp_path / "greens.backup", database(EVERYTHING)
    database("INSERT INTO request_counts VALUES ('192.0.2.1', 3, now() + interval '1 hour')")
    assert run("backup", file).exit_code == 0
    assert stat.S_IMODE(file.stat().st_mode) == 0o600
    database("DELETE FROM logged_putts WHERE id > 3")
    database("CREATE TABLE newer (x int)")
    refused = run("restore", file)
    assert refused.exit_code == 1
    assert "say --overwrite" in refused.stderr
    assert database(EVERYTHING) != before
    assert run("restore", file, "--overwrite").output == f"restored from {file}\n"
    assert database(EVERYTHING) == before
    assert database("SELECT to_regclass('newer')") is None
    assert database("SELECT count(*) FROM request_counts") == 0


def test_an_older_backup_is_brought_to_the_newest_tables(database, tmp_path):
    run("db", "downgrade", "2026_11_23_golfers_and_putts", "--yes")
    run("backup", tmp_path / "old")
    run("db", "downgrade", "base", "--yes")
    assert run("restore", tmp_path / "old").exit_code == 0
    assert database("SELECT count(*) FROM speed_notes") == 0


def test_damaged_and_strange_files_are_refused_and_nothing_is_lost(database, tmp_path):
    before, whole = database(EVERYTHING), tmp_path / "whole"
    run("backup", whole)
    (tmp_path / "torn").write_bytes(whole.read_bytes()[:-2000])
    (tmp_path / "strange").write_text("not a backup")
    for name in ("torn", "strange", "missing"):
        refused = run("restore", tmp_path / name, "--overwrite")
        assert refused.exit_code == 1, name
        assert refused.stderr.startswith("Error: "), name
    assert database(EVERYTHING) == before


def test_backups_are_not_overwritten_unasked(database, tmp_path):
    (tmp_path / "older").write_text("precious")
    assert "is there already" in run("backup", tmp_path / "older").stderr
    assert (tmp_path / "older").read_text() == "precious"
    assert run("backup", tmp_path / "older", "--overwrite").exit_code == 0
    database("DROP TABLE golfers CASCADE")
    assert "nothing to back up" in run("backup", tmp_path / "other").stderr
    assert [p.name for p in tmp_path.iterdir()] == ["older"]


def test_a_way_back_that_loses_rows_asks_first(database):
    asked = run("db", "downgrade", "base", input="n\n")
    assert "logged_putts: 480" in asked.output
    assert asked.exit_code == 1
    assert database("SELECT count(*) FROM logged_putts") == 480
    assert run("db", "downgrade", "base", input="y\n").exit_code == 0
    assert database("SELECT to_regclass('logged_putts')") is None
