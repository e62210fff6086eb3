"""`make fuzz`: the API asked by machine, out of its own description: every check, thousands of cases.

An application without limits on a database of its own, with the demo's Wren; what schemathesis finds is
printed, and the command fails with it.
"""

import re
import subprocess
import sys
import threading
from datetime import UTC, datetime
from pathlib import Path
from uuid import uuid4

from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session
from werkzeug.serving import WSGIRequestHandler, make_server

from applications import fresh_database, unlimited
from orthocline.services.account.access import Viewer
from orthocline.services.demo.golfer import demo_copy, load_demo
from orthocline.services.share.tokens import SCOPES, make_token

CASES = 10_000
OPERATIONS = 6
CONFIG = Path(__file__).parent / "schemathesis.toml"


class Quiet(WSGIRequestHandler):
    def log_request(self, *_arguments):
        pass


def application():
    """Return an application on a fresh demo, and a token for all of the API."""
    url = fresh_database("orthocline_cases")
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        load_demo(session)
        golfer = demo_copy(session, datetime.now(UTC), uuid4())
        token = make_token(Viewer(golfer), session, "cases", SCOPES)
    return unlimited(url), token


def main():
    cases = int(sys.argv[1]) if len(sys.argv) > 1 else CASES
    app, token = application()
    server = make_server("127.0.0.1", 0, app, threaded=True, request_handler=Quiet)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    base = f"http://127.0.0.1:{server.port}"
    each = -(-cases // OPERATIONS)
    command = [sys.executable, "-m", "schemathesis.cli", "--config-file", str(CONFIG), "run"]
    command += [f"{base}/api/1/openapi.json", "--checks", "all", "--max-examples", str(each)]
    command += ["--header", f"Authorization: Bearer {token}", "--seed", "25", "--no-color"]
    done = subprocess.run(command, text=True, capture_output=True, check=False)
    server.shutdown()
    print(done.stdout, done.stderr[-2000:])
    found = re.search(r"(\d[\d,]*) generated", done.stdout)
    print(f"API: {found[1] if found else '?'} cases, {'no failure' if not done.returncode else 'FAILURES'}")
    sys.exit(done.returncode)


if __name__ == "__main__":
    main()
