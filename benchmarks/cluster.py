"""`make machines`: a study of a whole green on two machines, set up by the words of docs/studies.md.

The machines are those of `two_machines.py`: on the first a scheduler and a worker, on the second a worker,
which is killed at a third and begun again. The demo's keeper asks for Breakwater at speed 11. What is found
is compared, to the last bit, with what this process works out for places drawn by lot. Needs root.
"""

import os
import random
import re
import signal
import subprocess
import sys
import time
from contextlib import ExitStack, suppress
from pathlib import Path
from tempfile import TemporaryDirectory

from scripts.screenshots import demo_database
from sqlalchemy import NullPool, create_engine, select
from sqlalchemy.orm import Session

from orthocline.db.account.models import Golfer
from orthocline.db.ground.models import GreenStudy
from orthocline.db.jobs.models import Job
from orthocline.db.jobs.queries import OPEN
from orthocline.formats.study_part import study_members
from orthocline.services.account.access import Viewer
from orthocline.services.demo.study import LEVEL
from orthocline.services.ground.charts import find_green
from orthocline.services.ground.study_asked import ask_study
from orthocline.services.ground.studying import plan_of, played_of
from two_machines import ONE, ROOT, network, on

STUDIES = (ROOT / "docs/studies.md").read_text(encoding="utf-8")
TOLD = re.search(r"```sh\n(dask scheduler.*?)```", STUDIES, re.S)[1]
LINES = TOLD.replace("10.0.0.1", ONE).replace("--nworkers 8", "--nworkers 1").splitlines()
SCHEDULER, WORKER, SERVE = (line.partition("#")[0].strip() for line in LINES)
SPEED_FT, CHECKED, KILLED_AT = 11.0, 24, 1 / 3


class Program:
    """A program of the docs on a machine, with all that it begins."""

    def __init__(self, told, folder, machine, **more):
        with (folder / "log").open("ab") as log:
            self.process = subprocess.Popen(
                [*machine, "bash", "-ec", told],
                cwd=ROOT,
                env=os.environ | {"PATH": f"{ROOT}/.venv/bin:{os.environ['PATH']}"} | more,
                stdout=log,
                stderr=log,
                start_new_session=True,
            )

    def end(self, how=signal.SIGTERM):
        with suppress(ProcessLookupError):
            os.killpg(self.process.pid, how)
        self.process.wait()


def ask(session):
    """Ask for the demo's green; return what was asked, and by whom."""
    kept = session.scalars(select(GreenStudy).limit(1)).one()
    viewer = Viewer(session.get(Golfer, kept.golfer_id))
    number = ask_study(viewer, session, kept.green_id, SPEED_FT, LEVEL, faster=False)
    session.commit()
    return viewer, session.get(GreenStudy, number)


def until(session, job, share):
    """Wait till some share of a job is done, or it ended."""
    while job.state in OPEN and job.done < share * (job.total or 1):
        time.sleep(0.5)
        session.expire_all()


def compared(session, viewer, study, job):
    """Say what became of a study; return whether it is what this process works out."""
    print(f"{job.state}, {job.done} of {job.total} places {job.why}")
    if study.found is None:
        return False
    plan = plan_of(viewer, session, find_green(viewer, session, study.green_id), study)
    drawn = random.Random(1).sample(range(plan.size), CHECKED)
    here = study_members(plan.places, [[played_of(plan.studies, plan.item(number)) for number in drawn]])
    there = [study.found["played"][0][number] for number in drawn]
    equal = sum(a == b for a, b in zip(there, here["played"][0], strict=True))
    print(f"{equal} of {CHECKED} drawn by lot are equal to the last bit")
    return equal == CHECKED


def main():
    """Try it; end with 1 where anything is not as it is worked out here."""
    with ExitStack() as stack:
        folder = Path(stack.enter_context(TemporaryDirectory()))
        stack.enter_context(network())
        url = demo_database()
        session = stack.enter_context(Session(create_engine(url, poolclass=NullPool)))
        first, second = on("greens-one"), on("greens-two")
        settings = {"DATABASE_URL": url, "ORTHOCLINE_LOG": "warning", "ORTHOCLINE_VAR": str(ROOT / "var")}
        told = ((SCHEDULER, first), (WORKER, first), (f"{SERVE} --port 8199", ()), (WORKER, second))
        programs = [Program(line, folder, machine, **settings) for line, machine in told]
        for program in programs:
            stack.callback(program.end)
        viewer, study = ask(session)
        job = session.get(Job, study.job_id)
        until(session, job, KILLED_AT)
        programs[-1].end(signal.SIGKILL)
        print(f"{job.done} of {job.total} places: the second machine is killed")
        stack.callback(Program(WORKER, folder, second).end)
        until(session, job, 1.0)
        right = compared(session, viewer, study, job)
    sys.exit(0 if right else 1)


if __name__ == "__main__":
    main()
