"""Real PostgreSQL for every test that needs it: one fresh database a worker, each test rolled back."""

import os

import pytest
from argon2 import PasswordHasher
from click.testing import CliRunner
from hypothesis import settings
from sqlalchemy import create_engine, text
from sqlalchemy.orm import Session, sessionmaker

from orthocline.cli.main import main
from orthocline.db.server.cluster import USER, ensure_running
from orthocline.db.server.migrate import upgrade
from orthocline.db.server.settings import var_folder
from orthocline.logs import say_in_json
from orthocline.services.account import accounts
from orthocline.services.account.accounts import sign_up
from orthocline.services.jobs.jobs import carry_out
from orthocline.web.app import create_app
from orthocline.web.database import EXTENSION
from orthocline.web.security import limiter

# Scrambling a password is meant to take long; here it would be half of all the time.
accounts._hasher = PasswordHasher(time_cost=1, memory_cost=8, parallelism=1)
accounts._NOBODY = accounts._hasher.hash("nobody has this password")

# What a request says is read by those tests that ask for it.
say_in_json("critical")

# The same examples in every run, and none too slow for a busy machine.
settings.register_profile("steady", deadline=None, max_examples=40, derandomize=True)
settings.load_profile("steady")

PASSWORD = "a good long password"
TEMPLATE, LOADING = "orthocline_demo_template", 7_501_004
"""The database that demo data are copied from, and the key of the lock under which it is made."""
SECRET = "tests only, forty characters of no value"


def pytest_collection_modifyitems(items):
    """Begin with the browser's first file, then the core, then the browser's other files.

    While one process of a run loads the demo, another has work without it; what is short fills up the end.
    """
    first = next((item.path for item in items if "browser" in item.path.parts), None)

    def turn(item):
        kinds = [item.path == first, "core" in item.path.parts, "browser" in item.path.parts]
        return kinds.index(True) if any(kinds) else len(kinds)

    items.sort(key=turn)


@pytest.fixture(scope="session")
def cluster():
    return ensure_running(var_folder())


@pytest.fixture(scope="session")
def database_url(cluster):
    name = f"orthocline_test_{os.environ.get('PYTEST_XDIST_WORKER', 'main')}"
    cluster.create_database(name, fresh=True)
    url = cluster.url(name)
    upgrade(url)
    return url


@pytest.fixture(scope="session")
def copy_demo(cluster):
    """Return what makes a database of its own with the demo data, and returns its address.

    Loading the demo takes a while: the first process of a run does it, and the others wait.
    """
    run = os.environ.get("PYTEST_XDIST_TESTRUNUID", str(os.getpid()))
    with cluster.connect() as connection:
        connection.execute("SELECT pg_advisory_lock(%s)", (LOADING,))
        told = "SELECT shobj_description(oid, 'pg_database') FROM pg_database WHERE datname = %s"
        if connection.execute(told, (TEMPLATE,)).fetchone() != (run,):
            _load_template(cluster.url(TEMPLATE), cluster)
            connection.execute(f"COMMENT ON DATABASE {TEMPLATE} IS '{run}'")

    def copy(name):
        cluster.create_database(name, fresh=True)
        with cluster.connect() as connection:
            connection.execute(f"DROP DATABASE {name}")
            connection.execute(f"CREATE DATABASE {name} OWNER {USER} TEMPLATE {TEMPLATE}")
        return cluster.url(name)

    return copy


def _load_template(url, cluster):
    cluster.create_database(TEMPLATE, fresh=True)
    for command, said in ((["db", "upgrade"], ""), (["demo"], "demo data loaded\n")):
        done = CliRunner().invoke(main, command, env={"DATABASE_URL": url})
        assert done.exit_code == 0
        assert done.output.endswith(said)


@pytest.fixture(scope="session")
def demo_database(copy_demo):
    """The address of a database with the demo data, whose changes are rolled back."""
    return copy_demo(f"orthocline_demo_{os.environ.get('PYTEST_XDIST_WORKER', 'main')}")


@pytest.fixture(scope="session")
def engine(database_url):
    engine = create_engine(database_url)
    yield engine
    engine.dispose()


@pytest.fixture
def sessions(engine):
    """A maker of sessions that all live in one outer transaction, rolled back at the end."""
    with engine.connect() as connection:
        outer = connection.begin()
        yield sessionmaker(connection, join_transaction_mode="create_savepoint", expire_on_commit=False)
        outer.rollback()


@pytest.fixture
def session(sessions) -> Session:
    with sessions() as session:
        yield session


def app_config(database_url, **more):
    return {
        "SECRET_KEY": SECRET,
        "DATABASE_URL": database_url,
        "TESTING": True,
        "DEMO": True,
        "RATELIMIT_ENABLED": False,
        "WTF_CSRF_ENABLED": False,
        **more,
    }


@pytest.fixture(scope="session")
def app_of_all(database_url):
    """The application, made once: its routes and templates are the same for all tests of a process."""
    return create_app(app_config(database_url))


@pytest.fixture
def app(app_of_all, sessions):
    """The application, with what its requests change rolled back."""
    app_of_all.extensions[EXTENSION] = sessions
    limiter.enabled = False  # another application of this process may have turned it on
    return app_of_all


@pytest.fixture(scope="session")
def committed_database(cluster):
    name = f"orthocline_committed_{os.environ.get('PYTEST_XDIST_WORKER', 'main')}"
    cluster.create_database(name, fresh=True)
    upgrade(cluster.url(name))
    return cluster.url(name)


@pytest.fixture
def committed(committed_database):
    """An application on an empty database where every request commits, as many at once as wanted."""
    app = create_app(app_config(committed_database))
    limiter._storage_dead = False  # one limiter for all applications of a process, which another test upset
    with app.extensions["orthocline_engine"].begin() as connection:
        connection.execute(text("TRUNCATE golfers, request_counts RESTART IDENTITY CASCADE"))
    yield app
    app.extensions["orthocline_engine"].dispose()


@pytest.fixture
def take_along(sessions):
    """Ask for the archive as a client, do that job at once, and return the answer with the file."""

    def take(client):
        job = client.post("/account/export").location
        carry_out(sessions, int(job.rpartition("/")[2]))
        return client.get(f"{job}/result", buffered=True)

    return take


@pytest.fixture
def client(app):
    return app.test_client()


@pytest.fixture
def create_golfer(session):
    def create(name="Tove"):
        golfer = sign_up(session, name, PASSWORD)
        session.commit()
        return golfer

    return create


@pytest.fixture
def signed_in(client, create_golfer):
    """A client in which the golfer Tove is signed in."""
    client.golfer = create_golfer()
    client.post("/sign-in", data={"name": "Tove", "password": PASSWORD})
    return client


@pytest.fixture
def as_golfer(app, create_golfer):
    """Return what makes a client in which a new golfer is signed in."""

    def sign_in(name):
        client = app.test_client()
        client.golfer = create_golfer(name)
        client.post("/sign-in", data={"name": name, "password": PASSWORD})
        return client

    return sign_in
