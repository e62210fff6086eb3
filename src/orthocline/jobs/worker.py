"""The worker: takes jobs from the queue, and takes up again what a killed one left."""

from procrastinate import App, JobContext, PsycopgConnector, RetryStrategy
from sqlalchemy.engine import make_url

from orthocline.db.jobs.queue import CARRY_OUT
from orthocline.jobs.confined import LONG, USUAL, EndedError, carry_out_confined, sessions_of
from orthocline.services.jobs.jobs import carry_out, sweep

STALLED, SWEEP = "take_up_stalled", "sweep"
AGAIN = RetryStrategy(wait=5, linear_wait=5, retry_exceptions=[EndedError])
"""A job whose worker was told to end, or whose database went away, is begun again, later each time [s], until
it is cancelled or swept away: it is nobody's fault, and a study of a night may see many workers."""


def worker_of(url: str, *, confined: bool = False) -> App:
    """Return the queue of a database, with what its jobs do; `confined`, each in a process of its own."""
    sessions = sessions_of(url)
    plain = make_url(url).set(drivername="postgresql").render_as_string(hide_password=False)
    app = App(connector=PsycopgConnector(conninfo=plain))

    @app.task(name=CARRY_OUT, pass_context=True, retry=AGAIN)
    def do_job(context: JobContext, job_id: int, long: bool = False) -> None:
        """Do one job."""
        if confined:
            carry_out_confined(url, job_id, context.should_abort, LONG if long else USUAL)
        else:
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
