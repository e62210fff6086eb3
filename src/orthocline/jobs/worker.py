"""The worker: takes jobs from the queue, one after the other, and takes up again what a killed one left."""

from procrastinate import App, PsycopgConnector
from sqlalchemy import NullPool, create_engine
from sqlalchemy.engine import make_url
from sqlalchemy.orm import sessionmaker

from orthocline.db.jobs.queue import CARRY_OUT
from orthocline.services.jobs.jobs import carry_out, sweep

STALLED, SWEEP = "take_up_stalled", "sweep"


def worker_of(url: str) -> App:
    """Return the queue of a database, with what its jobs do."""
    # One connection a thread and job, none while nothing is to be done.
    sessions = sessionmaker(create_engine(url, poolclass=NullPool), expire_on_commit=False)
    plain = make_url(url).set(drivername="postgresql").render_as_string(hide_password=False)
    app = App(connector=PsycopgConnector(conninfo=plain))

    @app.task(name=CARRY_OUT)
    def do_job(job_id: int) -> None:
        """Do one job."""
        carry_out(sessions, job_id)

    @app.periodic(cron="* * * * *")
    @app.task(name=STALLED, queueing_lock=STALLED)
    async def take_up_stalled(timestamp: int) -> None:
        """Put back into the queue what a worker that is gone left half done."""
        del timestamp
        for job in await app.job_manager.get_stalled_jobs():
            await app.job_manager.retry_job(job)

    @app.periodic(cron="17 * * * *")
    @app.task(name=SWEEP, queueing_lock=SWEEP)
    def sweep_old(timestamp: int) -> None:
        """Delete what was made a day ago and before."""
        del timestamp
        sweep(sessions)

    return app
