"""`make upgrades`: what earlier versions kept, each tenth commit from the first, brought to this one.

Each is checked out beside the project, makes its tables and its demo with its own code, and is then brought
up by this one. Every row must be there, and every page of the golfer open. Runs for half an hour; `EVERY` is
how many commits lie between two.
"""

import html
import os
import re
import subprocess
import sys
import tempfile
from pathlib import Path

from argon2 import PasswordHasher
from sqlalchemy import Boolean, NullPool, create_engine, inspect, text

from applications import unlimited
from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.migrate import upgrade
from orthocline.db.server.settings import var_folder

ROOT = Path(__file__).parents[1]
EVERY = int(os.environ.get("EVERY", "10"))
NAME, PASSWORD = "Upgraded", "four unrelated hedgehogs"
MOST_LINKS = 120
LINK = re.compile(r'href="(/[^"#]*)"')
KEEPS_NO_ROWS = {"alembic_version", "request_counts"}
"""Tables that say nothing of a golfer."""
OF_QUEUE, FAILS = "procrastinate_", 500
TAKE = """UPDATE golfers SET name = :name, password_hash = :hash {usual}
WHERE id = (SELECT golfer_id FROM logged_putts GROUP BY 1 ORDER BY count(*) DESC LIMIT 1)"""


def git(*words, at=ROOT):
    return subprocess.run(["git", *words], cwd=at, check=True, capture_output=True, text=True).stdout


def chosen():
    """Return the first commit that had a demo of rows to keep, and each tenth after it."""
    first = git("log", "--reverse", "--format=%H", "--", "src/orthocline/db/migrations").split()[0]
    commits = [first, *git("rev-list", "--reverse", f"{first}..HEAD").split()]
    return commits[::EVERY]


def made_by(folder, url):
    """Let the code of a folder make its tables and its demo; return what it says where it cannot."""
    told = os.environ | {"DATABASE_URL": url, "PYTHONPATH": str(folder / "src")}
    told |= {"NUMBA_CACHE_DIR": str(folder.parent / "numba"), "ORTHOCLINE_VAR": str(folder.parent / "var")}
    for words in (("db", "upgrade"), ("demo",)):
        done = subprocess.run(
            [sys.executable, "-c", "from orthocline.cli.main import main; main()", *words],
            cwd=folder,
            env=told,
            capture_output=True,
            text=True,
            check=False,
        )
        if done.returncode:
            return (done.stderr or done.stdout).strip().splitlines()[-1]
    return ""


def rows(url):
    """Return how many rows each table has."""
    engine = create_engine(url, poolclass=NullPool)
    with engine.connect() as connection:
        names = [one for one in inspect(engine).get_table_names() if not one.startswith(OF_QUEUE)]
        return {
            one: connection.scalar(text(f'SELECT count(*) FROM "{one}"'))
            for one in names
            if one not in KEEPS_NO_ROWS
        }


def taken(url):
    """Let the golfer of most putts be a usual one: the demo's is made anew by later versions."""
    engine = create_engine(url, poolclass=NullPool)
    kinds = {one["name"]: one["type"] for one in inspect(engine).get_columns("golfers")}
    usual = f", demo = {'false' if isinstance(kinds['demo'], Boolean) else 'NULL'}" if "demo" in kinds else ""
    with engine.begin() as connection:
        told = {"name": NAME, "hash": PasswordHasher().hash(PASSWORD)}
        assert connection.execute(text(TAKE.format(usual=usual)), told).rowcount == 1


def signed_in(url):
    """Return an application on a database, and a client in which that golfer is signed in."""
    app = unlimited(url, WTF_CSRF_ENABLED=False)
    client = app.test_client()
    assert client.post("/sign-in", data={"name": NAME, "password": PASSWORD}).status_code == 303
    return app, client


def failing(url):
    """Return how many pages were opened, and which do not open."""
    app, client = signed_in(url)
    rules = [rule.rule for rule in app.url_map.iter_rules() if "GET" in rule.methods and not rule.arguments]
    waiting, seen, broken = [one for one in rules if not one.startswith("/api")], set(), {}
    while waiting:
        path = waiting.pop(0)
        if path in seen or len(seen) >= len(rules) + MOST_LINKS:
            continue
        seen.add(path)
        answer = client.get(path, buffered=True)
        if answer.status_code >= FAILS:
            broken[path] = answer.status_code
        if answer.mimetype == "text/html":
            waiting += [
                html.unescape(one) for one in LINK.findall(answer.text) if not one.startswith("/static")
            ]
    app.extensions["orthocline_engine"].dispose()
    return len(seen), broken


def tried(tree, url):
    """Return what is to be said of one version, and whether what it kept is whole in this one."""
    cannot = made_by(tree, url)
    if cannot:
        return f"does not make its demo: {cannot}", False
    taken(url)
    before = rows(url)
    upgrade(url)
    after = rows(url)
    lost = {one: (count, after.get(one)) for one, count in before.items() if after.get(one) != count}
    opened, broken = failing(url)
    said = f"{sum(before.values()):,} rows of {len(before)} tables, {opened} pages"
    return (
        f"{said}{f'; rows {lost}' if lost else ''}{f'; broken {broken}' if broken else ''}",
        not lost and not broken,
    )


def main():
    """Try each; end with 1 if one cannot be brought up whole."""
    cluster, right = ensure_running(var_folder()), True
    with tempfile.TemporaryDirectory() as folder:
        tree = Path(folder, "tree")
        git("worktree", "add", "--detach", str(tree), "HEAD")
        try:
            for commit in chosen():
                git("checkout", "-q", "-f", commit, at=tree)
                cluster.create_database("orthocline_upgrades", fresh=True)
                said, whole = tried(tree, cluster.url("orthocline_upgrades"))
                right = right and whole
                print(commit[:8], said, flush=True)
        finally:
            git("worktree", "remove", "--force", str(tree))
    sys.exit(0 if right else 1)


if __name__ == "__main__":
    main()
