"""`orthocline db`: the private server and its tables."""

import sys

import click

from orthocline.db.cluster import ClusterError, ensure_running, stop
from orthocline.db.migrate import downgrade, upgrade
from orthocline.db.settings import database_url, var_folder


@click.group("db")
def database() -> None:
    """Start, stop and migrate the database."""


@database.command("start")
def start_command() -> None:
    """Start the private server, making it first if need be."""
    try:
        cluster = ensure_running(var_folder())
    except ClusterError as error:
        click.echo(str(error), err=True)
        sys.exit(1)
    click.echo(f"database on 127.0.0.1:{cluster.port}")


@database.command("stop")
def stop_command() -> None:
    """Stop the private server."""
    click.echo("database stopped" if stop(var_folder()) else "database was not running")


@database.command("upgrade")
@click.argument("revision", default="head")
def upgrade_command(revision: str) -> None:
    """Bring the tables to REVISION (the newest)."""
    upgrade(database_url(), revision)


@database.command("downgrade")
@click.argument("revision")
def downgrade_command(revision: str) -> None:
    """Take the tables back to REVISION (base for none)."""
    downgrade(database_url(), revision)
