"""The commands that keep the application: tables up and down, demo once, a port that is taken."""

import socket
from importlib.metadata import version

import pytest
from click.testing import CliRunner
from sqlalchemy import NullPool, create_engine, inspect

from orthocline.cli.main import main


@pytest.fixture
def tables(copy_demo, monkeypatch):
    """What tables there are; the demo was loaded by its command, see `copy_demo`."""
    url = copy_demo("orthocline_test_commands")
    monkeypatch.setenv("DATABASE_URL", url)
    return lambda: set(inspect(create_engine(url, poolclass=NullPool)).get_table_names())


def run(*args):
    return CliRunner().invoke(main, args)


def test_tables_go_up_and_down_and_the_demo_is_loaded_once(tables):
    assert run("demo").output == "demo data was there already\n"
    assert {"golfers", "logged_putts"} <= tables()
    assert run("db", "downgrade", "base", "--yes").exit_code == 0
    assert "golfers" not in tables()
    assert run("db", "upgrade").exit_code == 0
    assert {"golfers", "logged_putts"} <= tables()


def test_a_taken_port_is_said_before_anything_starts():
    with socket.socket() as squatter:
        squatter.bind(("127.0.0.1", 0))
        squatter.listen()
        port = squatter.getsockname()[1]
        done = run("serve", "--port", str(port))
    assert done.exit_code == 1
    assert f"port {port} on 127.0.0.1 is taken" in done.stderr


def test_the_private_server_is_started_and_named():
    done = run("db", "start")
    assert done.exit_code == 0
    assert done.output.startswith("database on 127.0.0.1:")


def test_version_and_help():
    assert run("--version").output == f"orthocline, version {version('orthocline')}\n"
    for command in ("read", "serve", "demo", "db", "warm"):
        assert command in run("--help").output
