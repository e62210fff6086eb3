"""The private server: made once, found again, moved, copied, mended, and never made anew over data."""

import json
import os
import shutil
import signal
import socket
import stat
import subprocess
import sys
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import psycopg
import pytest

from orthocline.db.server import cluster as clusters
from orthocline.db.server import programs
from orthocline.db.server.cluster import ensure_running, serving, stop
from orthocline.db.server.programs import ClusterError
from orthocline.db.server.settings import database_url
from orthocline.db.server.var import mark_application, secret, write_private


@pytest.fixture(scope="module")
def var(tmp_path_factory):
    """A folder with a server that holds one row, in a place that the server's account cannot walk to."""
    folder = tmp_path_factory.mktemp("private") / "var"
    with ensure_running(folder).connect("orthocline") as connection:
        connection.execute("CREATE TABLE kept AS SELECT 'a putt' AS what")
    yield folder
    stop(folder)


@pytest.fixture
def copy(var, tmp_path):
    """A copy of it, as a person makes one: while it runs, owned by whoever copies."""
    folder = tmp_path / "copy"
    shutil.copytree(var, folder)
    yield folder
    stop(folder)


def kept(cluster):
    with cluster.connect("orthocline") as connection:
        return connection.execute("SELECT what FROM kept").fetchone()[0]


def kill_server(cluster):
    os.kill(int((cluster.data / "postmaster.pid").read_text().splitlines()[0]), signal.SIGKILL)
    deadline = time.monotonic() + 10
    while serving(cluster.data) and time.monotonic() < deadline:
        time.sleep(0.05)


def test_a_server_is_made_once_and_found_again(var):
    made = ensure_running(var)
    assert ensure_running(var) == made
    assert stat.S_IMODE((var / "postgres.json").stat().st_mode) == 0o600
    with made.connect() as connection:
        shown = {
            name: connection.execute(f"SHOW {name}").fetchone()[0]
            for name in ("listen_addresses", "unix_socket_directories", "data_checksums")
        }
    assert shown == {"listen_addresses": "127.0.0.1", "unix_socket_directories": "", "data_checksums": "on"}


def test_the_application_is_no_superuser_and_needs_its_password(var):
    made = ensure_running(var)
    address = made.url().replace("+psycopg", "")
    with psycopg.connect(address) as connection:
        role = connection.execute(
            "SELECT rolsuper OR rolcreatedb OR rolcreaterole FROM pg_roles WHERE rolname = current_user"
        ).fetchone()
        assert role == (False,)
        connection.execute("CREATE TABLE own (x int)")
        with pytest.raises(psycopg.errors.InsufficientPrivilege):
            connection.execute("COPY own FROM PROGRAM 'id'")
    with pytest.raises(psycopg.OperationalError, match="password"):
        psycopg.connect(address.replace(made.password, "guess"))


def test_databases_are_created_once_or_afresh(var):
    made = ensure_running(var)
    made.create_database("twice")
    made.create_database("twice")
    made.create_database("twice", fresh=True)
    with made.connect() as connection:
        names = {row[0] for row in connection.execute("SELECT datname FROM pg_database")}
    assert {"orthocline", "twice"} <= names


def test_a_killed_server_starts_again_where_it_was(var):
    made = ensure_running(var)
    kill_server(made)
    again = ensure_running(var)
    assert (again.port, kept(again)) == (made.port, "a putt")


def test_a_moved_folder_works_as_before(var):
    before = ensure_running(var)
    away = var.with_name("moved")
    var.rename(away)
    assert ensure_running(away).port == before.port, "moved while the server runs"
    stop(away)
    away.rename(var)
    assert kept(ensure_running(var)) == "a putt"


def test_a_copy_is_a_server_of_its_own(var, copy):
    first, second = ensure_running(var), ensure_running(copy)
    assert second.port != first.port
    with second.connect("orthocline") as connection:
        connection.execute("UPDATE kept SET what = 'another'")
    assert (kept(first), kept(second)) == ("a putt", "another")
    stop(copy)
    assert kept(ensure_running(var)) == "a putt"


@pytest.mark.parametrize("damage", [None, "", '{"port": 54', "[]", '{"port": "x", "password": 3}'])
def test_a_lost_or_damaged_record_costs_no_data(copy, damage):
    record = copy / "postgres.json"
    record.unlink()
    if damage is not None:
        record.write_text(damage)
    mended = ensure_running(copy)
    assert kept(mended) == "a putt"
    assert mended.lets_in()
    assert ensure_running(copy) == mended


def test_a_record_lost_under_a_running_server_is_said_and_mended_after_a_stop(var):
    running = ensure_running(var)
    (var / "postgres.json").unlink()
    with pytest.raises(ClusterError, match="run `orthocline db stop`"):
        ensure_running(var)
    assert stop(var)
    mended = ensure_running(var)
    assert mended.password != running.password
    assert kept(mended) == "a putt"


def test_a_wrong_password_is_said(var):
    known = json.loads((var / "postgres.json").read_text())
    write_private(var / "postgres.json", json.dumps(known | {"password": "a", "owner_password": "b"}))
    with pytest.raises(ClusterError, match="does not take the password"):
        ensure_running(var)
    write_private(var / "postgres.json", json.dumps(known))
    assert kept(ensure_running(var)) == "a putt"


def contents(folder):
    return sorted((str(p.relative_to(folder)), p.stat().st_size) for p in folder.rglob("*"))


def test_what_is_no_database_is_left_alone(copy):
    (copy / "postgres" / "PG_VERSION").rename(copy / "PG_VERSION")
    before = contents(copy / "postgres")
    with pytest.raises(ClusterError, match="has no PG_VERSION"):
        ensure_running(copy)
    assert contents(copy / "postgres") == before


def test_a_database_that_is_gone_is_not_made_anew_in_silence(copy):
    shutil.rmtree(copy / "postgres")
    with pytest.raises(ClusterError, match="Put it back"):
        ensure_running(copy)
    assert not (copy / "postgres").exists()


def test_a_broken_database_is_said_with_its_log_and_kept(copy, monkeypatch):
    (copy / "postgres" / "global" / "pg_control").write_bytes(b"torn")
    monkeypatch.setattr(clusters, "START_TRIES", 1)
    with pytest.raises(ClusterError, match=r"does not start[^$]*pg_control"):
        ensure_running(copy)
    assert (copy / "postgres" / "PG_VERSION").exists()


def test_data_of_an_older_layout_are_pointed_at(var, tmp_path):
    record = {"data": str(var / "postgres"), "port": 54330, "password": "x"}
    (tmp_path / "postgres.json").write_text(json.dumps(record))
    with pytest.raises(ClusterError, match=f"mv {var / 'postgres'} {tmp_path / 'postgres'}"):
        ensure_running(tmp_path)


def test_what_an_older_version_made_becomes_the_applications(copy):
    made = ensure_running(copy)
    with made.connect("orthocline") as connection:
        connection.execute("CREATE TABLE old (x int); ALTER DATABASE orthocline OWNER TO orthocline")
    older = {"data": str(copy / "postgres"), "port": made.port, "password": made.owner_password}
    write_private(copy / "postgres.json", json.dumps(older))
    with psycopg.connect(ensure_running(copy).url().replace("+psycopg", "")) as connection:
        connection.execute("DROP TABLE old")


def test_another_version_of_postgresql_is_asked_for(copy):
    (copy / "postgres" / "PG_VERSION").write_text("9\n")
    with pytest.raises(ClusterError, match="install the package postgresql-9"):
        ensure_running(copy)


def test_two_first_starts_at_once_make_one_server(tmp_path):
    command = [sys.executable, "-m", "orthocline.cli.main", "db", "start"]
    environment = os.environ | {"ORTHOCLINE_VAR": str(tmp_path / "var")}
    starts = [subprocess.Popen(command, env=environment, stdout=subprocess.PIPE) for _ in range(2)]
    said = {start.communicate()[0] for start in starts}
    stop(tmp_path / "var")
    assert [start.returncode for start in starts] == [0, 0]
    assert len(said) == 1


def test_leftovers_of_interrupted_first_starts_go_unless_a_server_ran_in_them(tmp_path, monkeypatch):
    for name, served in (("postgres-unfinished-a", False), ("postgres-unfinished-b", True)):
        (tmp_path / name / "data").mkdir(parents=True)
        if served:
            (tmp_path / name / "data" / "postmaster.opts").touch()

    def interrupted(*_):
        raise ClusterError("interrupted")

    monkeypatch.setattr(clusters, "run", interrupted)
    with pytest.raises(ClusterError, match="interrupted"):
        ensure_running(tmp_path)
    assert [p.name for p in tmp_path.glob("postgres-*")] == ["postgres-unfinished-b"]


def test_a_taken_port_is_left_to_its_owner(var):
    made = ensure_running(var)
    assert stop(var)
    assert not stop(var)
    with socket.socket() as squatter:
        squatter.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        squatter.bind(("127.0.0.1", made.port))
        squatter.listen()
        moved = ensure_running(var)
    assert moved.port != made.port
    assert kept(moved) == "a putt"


def test_the_port_is_not_moved_under_a_running_application(var, monkeypatch):
    made = ensure_running(var)
    stop(var)
    monkeypatch.setattr(clusters, "PORT_PATIENCE_S", 0.1)
    mark = mark_application(var)
    with socket.socket() as squatter:
        squatter.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        squatter.bind(("127.0.0.1", made.port))
        squatter.listen()
        with pytest.raises(ClusterError, match="taken by another program"):
            ensure_running(var)
    assert ensure_running(var).port == made.port
    os.close(mark)


def test_a_stalled_server_is_not_taken_for_dead(var, monkeypatch):
    monkeypatch.setattr(clusters, "ANSWER_PATIENCE_S", 1.0)
    port, record = serving(var / "postgres"), (var / "postgres.json").read_text()
    (pid,) = (int(line) for line in (var / "postgres/postmaster.pid").read_text().splitlines()[:1])
    os.kill(pid, signal.SIGSTOP)
    try:
        with pytest.raises(ClusterError, match="does not answer"):
            ensure_running(var)
        assert (serving(var / "postgres"), (var / "postgres.json").read_text()) == (port, record)
    finally:
        os.kill(pid, signal.SIGCONT)
    assert ensure_running(var).port == port


def test_a_missing_installation_is_said_plainly(tmp_path, monkeypatch):
    monkeypatch.setattr(programs, "INSTALLED", tmp_path)
    with pytest.raises(ClusterError, match="make setup"):
        ensure_running(tmp_path / "var")
    assert list((tmp_path / "var").glob("postgres-*")) == []


def test_the_secret_is_made_once_and_again_if_it_was_cut_short(tmp_path):
    with ThreadPoolExecutor(8) as many:
        made = set(many.map(lambda _: secret(tmp_path), range(8)))
    assert len(made) == 1
    for damage in ("", "short"):
        (tmp_path / "secret").write_text(damage)
        assert len(secret(tmp_path)) >= 32
    assert stat.S_IMODE((tmp_path / "secret").stat().st_mode) == 0o600


def test_private_files_are_private_from_their_first_byte(tmp_path, monkeypatch):
    modes = []
    plain = os.fdopen

    def watched(descriptor, *more):
        modes.append(stat.S_IMODE(os.fstat(descriptor).st_mode))
        return plain(descriptor, *more)

    monkeypatch.setattr(os, "fdopen", watched)
    write_private(tmp_path / "word", "hush")
    assert modes == [0o600]
    assert (tmp_path / "word").read_text() == "hush"


@pytest.mark.parametrize("scheme", ["postgres", "postgresql", "postgresql+psycopg"])
def test_a_given_address_is_used_as_it_is(monkeypatch, scheme):
    monkeypatch.setenv("DATABASE_URL", f"{scheme}://golfer@db.example/greens")
    assert database_url() == "postgresql+psycopg://golfer@db.example/greens"


def test_the_folder_of_private_data_is_reached_only_by_its_owner(var):
    assert stat.S_IMODE(Path(var, "postgres").stat().st_mode) == 0o700
