"""`orthocline serve` and `orthocline demo`: the application with its database and demo data."""

import os
import socket
import sys

import click
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session

from orthocline.db.migrate import upgrade
from orthocline.db.settings import database_url, var_folder
from orthocline.db.var import mark_application, secret
from orthocline.services.demo import load_demo

HOST = "127.0.0.1"
WORKERS, THREADS = 2, 2


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
        click.echo(f"port {port} on {HOST} is taken: stop what uses it, or give another --port", err=True)
        sys.exit(1)
    url = database_url()
    upgrade(url)
    _load(url)
    mark_application(var_folder())
    os.environ |= {
        "DATABASE_URL": url,
        "ORTHOCLINE_SECRET": os.environ.get("ORTHOCLINE_SECRET") or secret(var_folder()),
        "ORTHOCLINE_DEMO": os.environ.get("ORTHOCLINE_DEMO", "1"),
    }
    click.echo(f"Orthocline is on http://{HOST}:{port} (Ctrl-C stops it; `make stop` stops its database)")
    sys.stdout.flush()
    command = [sys.executable, "-m", "gunicorn", "--bind", f"{HOST}:{port}", "--preload"]
    command += ["--workers", str(WORKERS), "--threads", str(THREADS), "--log-level", "warning"]
    os.execv(sys.executable, [*command, "orthocline.web.wsgi:app"])


def _load(url: str) -> bool:
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        return load_demo(session)


def _taken(port: int) -> bool:
    with socket.socket() as probe:
        return probe.connect_ex((HOST, port)) == 0
