"""An archive brought in: read, looked through line by line, and kept, by another golfer."""

import time
from uuid import uuid4

from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session

from bars import bar
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import delete_account, sign_up
from orthocline.services.carry.archive import bring_in, brought_of, give_archive, looked_through

PASSWORD = "a good long password"


def bench_bringing_in(url, archive):
    """Print how long an archive takes on its way in."""
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        viewer = Viewer(sign_up(session, f"Archive {uuid4().hex[:8]}", PASSWORD))
        task = give_archive(viewer, session, "mine.zip", iter([archive]))
        begun = time.perf_counter()
        said = list(looked_through(viewer, session, task))
        looked = time.perf_counter()
        bring_in(viewer, session, task)
        ended = time.perf_counter()
        delete_account(viewer, session, PASSWORD)
    rows = brought_of(said[-1].content).new
    told = f"{rows:,} rows; looked through in {looked - begun:.1f} s of it"
    bar("the archive in", ended - begun, "s", most=20, against=told)
