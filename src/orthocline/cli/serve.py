"""`orthocline serve` and `orthocline demo`: the application with its database and demo data."""

import os
import pwd
import socket
import subprocess
import sys
import time

import click
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session

from orthocline.db.server.migrate import upgrade
from orthocline.db.server.settings import database_url, var_folder
from orthocline.db.server.var import mark_application, secret
from orthocline.services.demo.golfer import load_demo

HOST = "127.0.0.1"
SERVING = "python:orthocline.web.serving"
APPLICATION = "orthocline.web.wsgi:app"
ACCOUNT = "www-data"
"""Account that answers requests where root starts the server, if it can reach the program."""
PORT_PATIENCE_S = 2.0


@click.command("demo")
def demo_command() -> None:
    """Load the Ternholm demo data, once."""
    loaded = _load(database_url())
    click.echo("demo data loaded" if loaded else "demo data was there already")


@click.command("serve")
@click.option("--port", default=8000, show_default=True, help="Port on 127.0.0.1.")
def serve_command(port: int) -> None:
    """Start the database, migrate, load the demo data once, and serve."""
    if _taken(port):
        raise click.ClickException(
            f"port {port} on {HOST} is taken: stop what uses it, or give another --port"
        )
    url = database_url()
    upgrade(url)
    _load(url)
    os.environ |= {
        "DATABASE_URL": url,
        "ORTHOCLINE_SECRET": os.environ.get("ORTHOCLINE_SECRET") or secret(var_folder()),
        "ORTHOCLINE_DEMO": os.environ.get("ORTHOCLINE_DEMO", "1"),
        # Each of its processes works on one thread, or they wait for each other.
        "OPENBLAS_NUM_THREADS": os.environ.get("OPENBLAS_NUM_THREADS", "1"),
    }
    mark_application(var_folder())
    click.echo(f"Orthocline is on http://{HOST}:{port} (Ctrl-C stops it; `make stop` stops its database)")
    sys.stdout.flush()
    command = [sys.executable, "-m", "gunicorn", "--config", SERVING, "--bind", f"{HOST}:{port}"]
    os.execv(sys.executable, [*command, *_as_nobody_much(), APPLICATION])


def _load(url: str) -> bool:
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        return load_demo(session)


def _as_nobody_much() -> list[str]:
    """Return the options by which root lets an account without rights answer, if it can run the program."""
    if os.geteuid() != 0:
        return []
    try:
        pwd.getpwnam(ACCOUNT)
    except KeyError:
        return []
    probe = ["runuser", "-u", ACCOUNT, "--", sys.executable, "-c", "import orthocline.web"]
    if subprocess.run(probe, cwd="/", capture_output=True, check=False).returncode != 0:
        click.echo(
            f"as root: the account {ACCOUNT} cannot reach this folder, so root answers requests", err=True
        )
        return []
    return ["--user", ACCOUNT, "--group", ACCOUNT]


def _taken(port: int) -> bool:
    """Return whether a port is in use, and stays so while the workers of a killed server end."""
    patience = time.monotonic() + PORT_PATIENCE_S
    while True:
        with socket.socket() as probe:
            if probe.connect_ex((HOST, port)) != 0:
                return False
        if time.monotonic() > patience:
            return True
        time.sleep(0.1)
