"""Applications without limits, on databases that may be fresh ones of their own."""

import gc

from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.migrate import upgrade
from orthocline.db.server.settings import var_folder
from orthocline.logs import say_in_json
from orthocline.web.app import create_app

SECRET = "for benchmarks alone, of no value, never served"


def fresh_database(name):
    """Return the address of a fresh database with all tables."""
    cluster = ensure_running(var_folder())
    cluster.create_database(name, fresh=True)
    url = cluster.url(name)
    upgrade(url)
    return url


def unlimited(url, **more):
    """Return an application that counts nobody's requests, and says only what breaks.

    What was made before it is no work for its collector, as in a worker of the server.
    """
    say_in_json("error")
    app = create_app({"SECRET_KEY": SECRET, "DATABASE_URL": url, "RATELIMIT_ENABLED": False, **more})
    gc.collect()
    gc.freeze()
    return app
