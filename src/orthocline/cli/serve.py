"""`orthocline serve` and `orthocline demo`: the application with its database and demo data."""

import os
import pwd
import shutil
import socket
import subprocess
import sys
import tempfile
import time

import click
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session

from orthocline.db.server.migrate import upgrade
from orthocline.db.server.settings import database_url, var_folder
from orthocline.db.server.var import mark_application, secret
from orthocline.services.demo.golfer import load_demo

HOST, EVERYWHERE = "127.0.0.1", "0.0.0.0"
LOOPBACK = (HOST, "localhost")
OUTSIDE = ("192.0.2.1", 9)
"""An address that is nobody's."""
Readable = click.Path(exists=True, dir_okay=False, readable=True, resolve_path=True)
SERVING = "python:orthocline.web.serving"
APPLICATION = "orthocline.web.wsgi:app"
ACCOUNT = "www-data"
"""Account that answers requests where root starts the server, if it can reach the program."""
PORT_PATIENCE_S = 2.0
COUNTS = "PROMETHEUS_MULTIPROC_DIR"
"""Names the folder where workers count together."""


@click.command("demo")
def demo_command() -> None:
    """Load the Ternholm demo data, once."""
    loaded = _load(database_url())
    click.echo("demo data loaded" if loaded else "demo data was there already")


@click.command("serve")
@click.option("--port", default=8000, show_default=True, help="Port to listen on.")
@click.option("--host", default=HOST, show_default=True, help="Address to listen on; 0.0.0.0 for all.")
@click.option("--tls-cert", type=Readable, help="Certificate (PEM): phones keep a page only over TLS.")
@click.option("--tls-key", type=Readable, help="Its private key (PEM).")
def serve_command(port: int, host: str, tls_cert: str | None, tls_key: str | None) -> None:
    """Start the database, migrate, load the demo data once, and serve."""
    if (tls_cert is None) != (tls_key is None):
        raise click.UsageError("--tls-cert and --tls-key go together")
    if _taken(host, port):
        raise click.ClickException(
            f"port {port} on {host} is taken: stop what uses it, or give another --port"
        )
    url = database_url()
    upgrade(url)
    _load(url)
    seen = _seen_as(host)
    address = f"{'https' if tls_cert else 'http'}://{seen}:{port}"
    os.environ |= {
        "DATABASE_URL": url,
        "ORTHOCLINE_SECRET": os.environ.get("ORTHOCLINE_SECRET") or secret(var_folder()),
        **_reached(host, seen, address, secure=tls_cert is not None),
        # Each of its processes works on one thread, or they wait for each other.
        "OPENBLAS_NUM_THREADS": os.environ.get("OPENBLAS_NUM_THREADS", "1"),
    }
    account = _account()
    os.environ[COUNTS] = _counts_folder(account)
    mark_application(var_folder())
    click.echo(f"Orthocline is on {address} (Ctrl-C stops it; `make stop` stops its database)")
    if seen not in LOOPBACK and not tls_cert:
        click.echo("without TLS passwords travel in the clear: see docs/running.md", err=True)
    sys.stdout.flush()
    command = [sys.executable, "-m", "gunicorn", "--config", SERVING, "--bind", f"{host}:{port}"]
    if tls_cert and tls_key:
        command += ["--certfile", tls_cert, "--keyfile", tls_key]
    if account:
        command += ["--user", account, "--group", account]
    os.execv(sys.executable, [*command, APPLICATION])


def _seen_as(host: str) -> str:
    """Return by which address others reach a host: of all, the one that leads out. Nothing is sent."""
    if host != EVERYWHERE:
        return host
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(OUTSIDE)
        except OSError:
            return HOST
        return str(probe.getsockname()[0])


def _reached(host: str, seen: str, address: str, *, secure: bool) -> dict[str, str]:
    """Return what the application is told of how it is reached, unless the environment says it."""
    named = os.environ.get("ORTHOCLINE_HOSTS") or ",".join(LOOPBACK)
    told = {
        "ORTHOCLINE_HOSTS": named if seen in LOOPBACK else f"{named},{seen}",
        "ORTHOCLINE_SECURE": "1" if secure else os.environ.get("ORTHOCLINE_SECURE", "0"),
        "ORTHOCLINE_DEMO": os.environ.get("ORTHOCLINE_DEMO", "1" if host in LOOPBACK else "0"),
    }
    if seen not in LOOPBACK:
        told["ORTHOCLINE_ADDRESS"] = os.environ.get("ORTHOCLINE_ADDRESS", address)
    return told


def _load(url: str) -> bool:
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        return load_demo(session)


def _counts_folder(account: str) -> str:
    """Return a new folder in which the workers count together what they answer."""
    folder = tempfile.mkdtemp(prefix="orthocline-counts-")
    if account:
        shutil.chown(folder, account, account)
    return folder


def _account() -> str:
    """Return the account without rights that root lets answer, if it can run the program; else nothing."""
    if os.geteuid() != 0:
        return ""
    try:
        pwd.getpwnam(ACCOUNT)
    except KeyError:
        return ""
    probe = ["runuser", "-u", ACCOUNT, "--", sys.executable, "-c", "import orthocline.web"]
    if subprocess.run(probe, cwd="/", capture_output=True, check=False).returncode != 0:
        click.echo(
            f"as root: the account {ACCOUNT} cannot reach this folder, so root answers requests", err=True
        )
        return ""
    return ACCOUNT


def _taken(host: str, port: int) -> bool:
    """Return whether a port is in use, and stays so while the workers of a killed server end."""
    patience = time.monotonic() + PORT_PATIENCE_S
    while True:
        with socket.socket() as probe:
            if probe.connect_ex((host, port)) != 0:
                return False
        if time.monotonic() > patience:
            return True
        time.sleep(0.1)
