"""For those who run it: how long the database takes, whether it is ready, and what waits to be done."""

from typing import NamedTuple

from sqlalchemy import Engine
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from orthocline.db.jobs.queries import open_jobs
from orthocline.db.server.migrate import is_newest
from orthocline.db.slow import time_queries as time_queries


class Work(NamedTuple):
    """How many jobs wait and run, and since when the oldest waits [s]."""

    waiting: int
    running: int
    oldest_s: float


def unready(engine: Engine) -> str:
    """Return why golfers cannot be sent here; nothing where they can."""
    try:
        with engine.connect() as connection:
            return "" if is_newest(connection) else "the tables are not those of this version"
    except SQLAlchemyError:
        return "the database does not answer"


def work_to_do(engine: Engine) -> Work:
    """Return what waits in the background; raises SQLAlchemyError where the database does not answer."""
    with Session(engine) as session:
        return Work(*open_jobs(session))
