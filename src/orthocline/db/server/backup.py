"""A copy of everything that is kept, in one file, and back: PostgreSQL's own custom format, checked."""

import os
import subprocess
import tempfile
from pathlib import Path

from sqlalchemy import Engine, NullPool, create_engine, inspect, make_url, text

from orthocline.db.server.migrate import upgrade
from orthocline.db.server.programs import ClusterError, newest_version, program

OURS = "TABLE DATA public golfers"
"""Stands in the table of contents of every backup of ours."""
EMPTY = """DO $$ DECLARE name text; BEGIN
FOR name IN SELECT format('%I.%I', schemaname, tablename) FROM pg_tables WHERE schemaname = 'public'
LOOP EXECUTE 'DROP TABLE ' || name || ' CASCADE'; END LOOP;
FOR name IN SELECT p.oid::regprocedure FROM pg_proc p
  WHERE p.pronamespace = 'public'::regnamespace AND p.proowner = current_user::regrole
LOOP EXECUTE 'DROP FUNCTION ' || name || ' CASCADE'; END LOOP;
FOR name IN SELECT t.oid::regtype FROM pg_type t WHERE t.typnamespace = 'public'::regnamespace
  AND t.typowner = current_user::regrole AND t.typtype IN ('e', 'c')
LOOP EXECUTE 'DROP TYPE ' || name || ' CASCADE'; END LOOP;
END $$"""
"""Tables first, then what they were made with: functions and types of the queue of jobs."""


def backup(url: str, file: Path, *, overwrite: bool = False) -> None:
    """Write all of a database to a file that its owner alone can read.

    Raises
    ------
    ClusterError
        When the file is there already, the database cannot be read, or what was written cannot be read back.
    """
    if file.exists() and not overwrite:
        raise ClusterError(f"{file} is there already: name another file, or say --overwrite")
    if _golfers(url) is None:
        raise ClusterError("the database is empty: there is nothing to back up")
    new = file.with_name(f"{file.name}.new")
    try:
        os.close(os.open(new, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600))
        # How often an address asked is nobody's to keep.
        _client(url, "pg_dump", "--format=custom", "--exclude-table-data=request_counts", f"--file={new}")
        _check(url, new)
        new.rename(file)
    finally:
        new.unlink(missing_ok=True)


def restore(url: str, file: Path, *, overwrite: bool = False) -> None:
    """Put back what a backup holds, whole or not at all, and bring it to the newest tables.

    Raises
    ------
    ClusterError
        When the file is no backup or damaged, or the database holds golfers and `overwrite` is not said.
    """
    _check(url, file)
    golfers = _golfers(url)
    if golfers and not overwrite:
        raise ClusterError(
            f"the database holds {golfers} golfers, who would be replaced by those of the backup:"
            " back it up first, then say --overwrite"
        )
    with tempfile.TemporaryDirectory() as folder:
        script = Path(folder, "script.sql")
        _client("", "pg_restore", "--no-owner", "--no-privileges", f"--file={script}", str(file), of=url)
        _client(
            *(url, "psql", "--no-psqlrc", "--quiet", "--single-transaction"),
            *("--set=ON_ERROR_STOP=1", f"--command={EMPTY}", f"--file={script}"),
        )
    upgrade(url)


def _check(url: str, file: Path) -> None:
    """Refuse a file that cannot be read to its end, or is not a backup of ours."""
    if not file.is_file():
        raise ClusterError(f"there is no file {file}")
    listed = _client("", "pg_restore", "--list", str(file), of=url)
    _client("", "pg_restore", "--file=/dev/null", str(file), of=url)
    if OURS not in listed:
        raise ClusterError(f"{file} is not a backup of Orthocline")


def _engine(url: str) -> Engine:
    return create_engine(url, poolclass=NullPool)


def _golfers(url: str) -> int | None:
    """Return how many golfers a database holds; None without its tables."""
    engine = _engine(url)
    if "golfers" not in inspect(engine).get_table_names():
        return None
    with engine.connect() as connection:
        return int(connection.scalar(text("SELECT count(*) FROM golfers")) or 0)


def _version(url: str) -> str:
    """Return the database's own major version if it is installed here, else the newest that is."""
    with _engine(url).connect() as connection:
        version = str(int(connection.scalar(text("SHOW server_version_num"))) // 10000)
    try:
        program("pg_dump", version)
    except ClusterError:
        return newest_version()
    return version


def _client(url: str, name: str, *arguments: str, of: str = "") -> str:
    """Run one of PostgreSQL's client programs and return what it prints.

    Parameters
    ----------
    url : str
        The database that it works on; empty where it works on a file.
    of : str
        The database whose version counts, where that is not the one worked on.
    """
    command, environment = [program(name, _version(url or of)), *arguments], dict(os.environ)
    if url:
        address = make_url(url)
        environment["PGPASSWORD"] = str(address.password or "")
        bare = address._replace(drivername="postgresql", password=None)
        command.append(f"--dbname={bare.render_as_string()}")
    done = subprocess.run(
        command, env=environment, stdin=subprocess.DEVNULL, capture_output=True, text=True, check=False
    )
    if done.returncode != 0:
        told = done.stderr.strip().splitlines()
        wrong = [line for line in told if "ERROR:" in line] or told or [f"status {done.returncode}"]
        raise ClusterError(f"{name} failed: {wrong[0]}")
    return done.stdout
