"""PostgreSQL's own programs, run on one folder by the account that it belongs to.

PostgreSQL refuses to run as root. As root its programs run as the folder's owner, who often cannot walk to
it (a home directory is closed to others); so the folder is handed to them already opened, by its descriptor.
"""

import os
import pwd
import shutil
import subprocess
from pathlib import Path

SERVER_ACCOUNT = "postgres"
"""Account that a new folder is given to when this program runs as root."""
INSTALLED = Path("/usr/lib/postgresql")
NOT_INSTALLED = "PostgreSQL is not installed: run `make setup`"
HERE = "@"
"""Stands in an argument for the folder."""


class ClusterError(RuntimeError):
    """The database cannot be made, opened or reached; the message says what to do."""


def newest_version() -> str:
    """Return the newest major version of PostgreSQL that is installed.

    Raises
    ------
    ClusterError
        When there is none.
    """
    versions = [int(path.parts[-3]) for path in INSTALLED.glob("*/bin/initdb") if path.parts[-3].isdecimal()]
    if not versions:
        raise ClusterError(NOT_INSTALLED)
    return str(max(versions))


def program(name: str, version: str) -> str:
    """Return the path of a program of one version.

    Raises
    ------
    ClusterError
        When that version is not installed.
    """
    path = INSTALLED / version / "bin" / name
    if not path.exists():
        raise ClusterError(
            f"the database was made by PostgreSQL {version}, whose {name} is not installed:"
            f" install the package postgresql-{version}"
        )
    return str(path)


def give_to_server(folder: Path) -> None:
    """As root, give a folder and all in it to an account that may run a server, if root owns it."""
    if os.geteuid() != 0 or folder.stat().st_uid != 0:
        return
    try:
        pwd.getpwnam(SERVER_ACCOUNT)
    except KeyError as error:
        raise ClusterError(NOT_INSTALLED) from error
    for path in (folder, *folder.rglob("*")):
        if not path.is_symlink():
            shutil.chown(path, SERVER_ACCOUNT, SERVER_ACCOUNT)
    folder.chmod(0o700)


def run(folder: Path, version: str, name: str, *arguments: str, said: str = "") -> None:
    """Run a program on a folder; `said` is its standard input.

    Raises
    ------
    ClusterError
        When it is not installed, or fails.
    """
    command = [program(name, version), *arguments]
    descriptor = os.open(folder, os.O_RDONLY | os.O_DIRECTORY)
    try:
        here = str(folder)
        if os.geteuid() == 0:
            here = f"/proc/self/fd/{descriptor}"
            owner = pwd.getpwuid(folder.stat().st_uid).pw_name
            command = ["runuser", "-u", owner, "--", *command]
        # No output is captured: a server would keep the pipe open. It writes its own log.
        done = subprocess.run(
            [part.replace(HERE, here) for part in command],
            cwd="/",
            input=said.encode(),
            stdout=subprocess.DEVNULL,
            stderr=None,
            check=False,
            pass_fds=[descriptor],
        )
    finally:
        os.close(descriptor)
    if done.returncode != 0:
        raise ClusterError(f"{name} failed with status {done.returncode}")
