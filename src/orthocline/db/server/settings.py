"""Where the database is: `DATABASE_URL`, or else the project's private server."""

import os
from pathlib import Path

from orthocline.db.server.cluster import ensure_running

PROJECT = Path(__file__).parents[4]
DIALECT = "postgresql+psycopg"


def var_folder() -> Path:
    """Return the folder of everything that is made at run time (`ORTHOCLINE_VAR`, else `var/`)."""
    return Path(os.environ.get("ORTHOCLINE_VAR", PROJECT / "var")).absolute()


def database_url() -> str:
    """Return the address of the database, starting the private server if that is where it is."""
    given = os.environ.get("DATABASE_URL")
    if not given:
        return ensure_running(var_folder()).url()
    scheme, _, rest = given.partition("://")
    return f"{DIALECT}://{rest}" if scheme in ("postgres", "postgresql") else given
