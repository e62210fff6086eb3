"""The private server: made once, found again, restarted after a crash, moved off a taken port."""

import json
import os
import shutil
import signal
import socket
import stat
import time
from pathlib import Path

import pytest

from orthocline.db import cluster as clusters
from orthocline.db.cluster import Cluster, ClusterError, ensure_running, stop
from orthocline.db.settings import database_url


@pytest.fixture(scope="module")
def var(tmp_path_factory):
    folder = tmp_path_factory.mktemp("private") / "var"
    yield folder
    known = json.loads((folder / "postgres.json").read_text())
    stop(folder)
    shutil.rmtree(known["data"])


def postmaster(cluster):
    return int(Path(cluster.data, "postmaster.pid").read_text().splitlines()[0])


def test_a_server_is_made_once_and_found_again(var):
    made = ensure_running(var)
    assert made.answers()
    assert ensure_running(var) == made
    assert stat.S_IMODE((var / "postgres.json").stat().st_mode) == 0o600
    with made.connect() as connection:
        shown = {
            name: connection.execute(f"SHOW {name}").fetchone()[0]
            for name in ("listen_addresses", "unix_socket_directories", "data_checksums")
        }
    assert shown == {"listen_addresses": "127.0.0.1", "unix_socket_directories": "", "data_checksums": "on"}


def test_a_wrong_password_is_refused(var):
    made = ensure_running(var)
    assert not Cluster(made.data, made.port, "guess").answers()


def test_databases_are_created_once_or_afresh(var):
    made = ensure_running(var)
    made.create_database("twice")
    made.create_database("twice")
    made.create_database("twice", fresh=True)
    with made.connect() as connection:
        names = {row[0] for row in connection.execute("SELECT datname FROM pg_database")}
    assert {"orthocline", "twice"} <= names


def test_a_killed_server_starts_again(var):
    made = ensure_running(var)
    os.kill(postmaster(made), signal.SIGKILL)
    deadline = time.monotonic() + 10
    while made.answers() and time.monotonic() < deadline:
        time.sleep(0.1)
    assert ensure_running(var).answers()


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
    assert moved.data == made.data
    assert moved.answers()


def test_a_missing_installation_is_said_plainly(tmp_path, monkeypatch):
    monkeypatch.setattr(clusters.Path, "glob", lambda *_: iter(()))
    with pytest.raises(ClusterError, match="make setup"):
        ensure_running(tmp_path)
    folder = clusters._data_folder(tmp_path).parent
    assert [p for p in os.listdir(folder) if p.startswith("orthocline-") and ".new" in p] == []


@pytest.mark.parametrize("scheme", ["postgres", "postgresql", "postgresql+psycopg"])
def test_a_given_address_is_used_as_it_is(monkeypatch, scheme):
    monkeypatch.setenv("DATABASE_URL", f"{scheme}://golfer@db.example/greens")
    assert database_url() == "postgresql+psycopg://golfer@db.example/greens"
