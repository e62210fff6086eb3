"""The queue that workers take jobs from: tables of its own in the same database."""

from procrastinate import App, SyncPsycopgConnector
from sqlalchemy.orm import Session

CARRY_OUT = "carry_out"
"""The queue's one task: it takes the number of a job."""
LONG = "long"
"""The lock of long jobs."""
QUEUE_TABLES = "procrastinate_"
"""What the names of the queue's own tables begin with."""
_QUEUE = App(connector=SyncPsycopgConnector())


def enqueue(session: Session, job_id: int, *, long: bool) -> None:
    """Put a job into the queue, in the session's own transaction: where that is undone, so is this.

    Of the `long` ones one is worked on at a time, wherever there are workers: each takes all that there is.
    """
    connection = session.connection().connection.driver_connection
    task = _QUEUE.configure_task(CARRY_OUT, connection=connection, lock=LONG if long else None)
    task.defer(job_id=job_id, long=long)
