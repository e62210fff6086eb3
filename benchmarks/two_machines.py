"""`make machines`: a club of 200 on two machines, set up by the words of docs/running.md.

Two network namespaces of this one are the machines, with addresses of their own on a bridge; golfers come
from forty addresses. The docs' commands are run as they stand there, but for folders and for what installs.
Then 200 golfers sign up through nginx, join a club by its code, note putts and take their log along, while
first one application and then the other is killed and started again. What was acknowledged is compared with
the tables. Needs root.
"""

import os
import random
import re
import shutil
import signal
import ssl
import subprocess
import sys
import tempfile
import threading
import time
from contextlib import ExitStack, contextmanager
from http.client import HTTPSConnection
from pathlib import Path
from queue import SimpleQueue

from chaos_golfers import Keeper
from orthocline.db.server.programs import newest_version

ROOT = Path(__file__).parents[1]
RUNNING = (ROOT / "docs/running.md").read_text(encoding="utf-8")
WRITTEN, NET = "192.168.1.", "10.77.1."
ONE, TWO = f"{NET}21", f"{NET}22"
MACHINES = {"greens-one": ONE, "greens-two": TWO}
BRIDGE, NAME = "greens-br", "greens.example"
MEMBERS, ADDRESSES, AT_ONCE, PUTTS = 200, 40, 8, 3
BIN = f"/usr/lib/postgresql/{newest_version()}/bin"


def block(kind, holding):
    """Return the block of the docs that holds some words, with the addresses of this try."""
    found = re.findall(rf"```{kind}\n(.*?)```", RUNNING, re.S)
    return next(one for one in found if holding in one).replace(WRITTEN, NET)


def run(command, **more):
    shell = isinstance(command, str)
    return subprocess.run(command, shell=shell, check=True, capture_output=True, text=True, **more)


def on(machine):
    return ["ip", "netns", "exec", machine]


@contextmanager
def network():
    """Keep two machines and the golfers' addresses on one bridge."""
    run(f"ip link add {BRIDGE} type bridge && ip link set {BRIDGE} up")
    try:
        for last in range(100, 100 + ADDRESSES):
            run(f"ip addr add {NET}{last}/24 dev {BRIDGE}")
        for number, (machine, address) in enumerate(MACHINES.items()):
            run(f"ip netns add {machine}")
            run(f"ip link add greens{number} type veth peer name eth0 netns {machine}")
            run(f"ip link set greens{number} master {BRIDGE} up")
            inside = " ".join(on(machine))
            run(f"{inside} ip link set lo up && {inside} ip addr add {address}/24 dev eth0")
            run(f"{inside} ip link set eth0 up")
        yield
    finally:
        for machine in MACHINES:
            subprocess.run(["ip", "netns", "del", machine], check=False, capture_output=True)
        subprocess.run(["ip", "link", "del", BRIDGE], check=False)


@contextmanager
def database(folder):
    """Keep a server on the first machine, made ready as the docs say."""
    data = folder / "data"
    shutil.chown(folder, "postgres")
    run(["runuser", "-u", "postgres", "--", f"{BIN}/initdb", "-D", str(data), "--auth-local=peer"])
    (data / "conf.d").mkdir()
    with (data / "postgresql.conf").open("a") as file:
        file.write(f"include_dir 'conf.d'\nunix_socket_directories = '{folder}'\n")
    server = f"runuser -u postgres -- {BIN}/pg_ctl -D {data} -w -l {folder}/log"
    ctl = f"{' '.join(on('greens-one'))} {server}"
    run(f"{ctl} start")
    told = block("sh", "createuser").replace("/etc/postgresql/15/main", str(data))
    told = told.replace("runuser -u", f"PGHOST={folder} runuser -u")
    told = told.replace("service postgresql restart", f"{server} restart")
    told = "\n".join(line for line in told.splitlines() if "apt-get" not in line)
    run([*on("greens-one"), "sh", "-ec", told], env=os.environ | {"PATH": f"{BIN}:{os.environ['PATH']}"})
    try:
        yield lambda query: run(
            f'PGHOST={folder} runuser -u postgres -- psql -At greens -c "{query}"'
        ).stdout.strip()
    finally:
        run(f"{ctl} stop -m immediate")


class Application:
    """The application on one machine, started as the docs say."""

    def __init__(self, machine, secret, folder):
        self.machine, self.folder = machine, folder
        told = re.sub(r"\$\(.*?\)\)'\)", secret, block("sh", "ORTHOCLINE_SECRET"))
        if machine != "greens-one":
            told = told.replace(f"--host {ONE}", f"--host {TWO}")
            told = told.replace("ORTHOCLINE_JOBS=1", "ORTHOCLINE_JOBS=0")
        self.told = told.replace(".venv/bin/orthocline serve", f"exec {ROOT}/.venv/bin/orthocline serve")

    def start(self):
        more = {"ORTHOCLINE_VAR": str(self.folder / self.machine), "ORTHOCLINE_LOG": "warning"}
        with (self.folder / f"{self.machine}.log").open("ab") as log:
            command = [*on(self.machine), "bash", "-ec", self.told]
            self.process = subprocess.Popen(command, env=os.environ | more, stdout=log, stderr=log)
        address = MACHINES[self.machine]
        asked = ["curl", "-fsS", "-H", f"Host: {NAME}", f"http://{address}:8000/readyz"]
        while self.process.poll() is None:
            if subprocess.run(asked, check=False, capture_output=True).returncode == 0:
                break
            time.sleep(0.2)
        assert self.process.poll() is None, (self.folder / f"{self.machine}.log").read_text()

    def kill(self):
        self.process.send_signal(signal.SIGKILL)
        self.process.wait()

    def stop(self):
        self.process.terminate()
        self.process.wait()


@contextmanager
def proxy(folder):
    """Keep nginx on the first machine, as the docs have it, before both applications."""
    certificate = block("sh", "openssl").replace("\\\n", " ").replace(f"{NET}20", ONE)
    run(certificate, cwd=folder)
    config = block("nginx", "proxy_pass").replace("http://127.0.0.1:8000", "http://greens")
    for name in ("pem", "key"):
        config = config.replace(f"/etc/ssl/{NAME}.{name}", f"{folder}/greens.{name}")
    kept = ("client_body", "proxy", "fastcgi", "uwsgi", "scgi")
    temps = " ".join(f"{one}_temp_path {folder}/{one};" for one in kept)
    (folder / "nginx.conf").write_text(
        f"user root; daemon off; pid {folder}/pid; events {{}}\n"
        f"http {{ access_log off; {temps}\n{block('nginx', 'upstream greens')}\n{config}\n}}"
    )
    command = [*on("greens-one"), "/usr/sbin/nginx", "-c", f"{folder}/nginx.conf", "-e", f"{folder}/errors"]
    process = subprocess.Popen(command)
    time.sleep(1.0)
    try:
        yield folder / "greens.pem"
    finally:
        process.terminate()
        process.wait()


class Member(Keeper):
    """A golfer of the club, who comes from an address of their own over TLS."""

    def __init__(self, number, trusts):
        super().__init__(443, number, host=NAME)
        self.trusts = trusts

    def connection(self):
        here = (f"{NET}{100 + self.number % ADDRESSES}", 0)
        return HTTPSConnection(ONE, 443, timeout=30, context=self.trusts, source_address=here)

    def found(self):
        """Found the club, and return its code."""
        where = self.insist("/clubs", {"name": "Ternholm Links"})
        page = self.ask("POST", f"{where}/invite", f"csrf_token={self.token}")[2].decode()
        return re.search(r'id="made-code">([^<]+)<', page)[1]

    def join(self, code):
        self.insist("/sharing/enter", {"code": code})

    def season(self):
        """Note a few putts, and take everything along."""
        rng = random.Random(self.number)
        for number in range(PUTTS):
            self.note(f"member {self.number} putt {number}", rng)
        where = self.insist("/account/export", {})
        self.until(where, lambda _, told: f"{where}/result".encode() in told, "archive")


def main():
    """Try it; end with 1 if anything was lost, doubled or refused."""
    begun = time.monotonic()
    with ExitStack() as stack:
        folder = Path(stack.enter_context(tempfile.TemporaryDirectory()))
        folder.chmod(0o755)
        (folder / "pg").mkdir()
        stack.enter_context(network())
        ask = stack.enter_context(database(folder / "pg"))
        secret = "two machines, one secret, of no value at all"
        machines = [Application(machine, f"'{secret}'", folder) for machine in MACHINES]
        for one in machines:
            one.start()
            stack.callback(one.stop)
        trusts = ssl.create_default_context(cafile=stack.enter_context(proxy(folder)))
        trusts.check_hostname = False
        right = played(machines, trusts, ask)
    print(f"{time.monotonic() - begun:.0f} s")
    sys.exit(0 if right else 1)


def played(machines, trusts, ask):
    """Let the club play; return whether all is as it was acknowledged."""
    owner = Member(0, trusts)
    owner.enter()
    code = owner.found()
    members = [Member(number, trusts) for number in range(1, MEMBERS)]
    waiting, done = SimpleQueue(), []
    for member in members:
        waiting.put(member)

    def play():
        while not waiting.empty():
            member = waiting.get()
            try:
                member.enter()
                member.join(code)
                member.season()
            except Exception as error:
                member.broken.append(("member", repr(error)))
            done.append(member)

    threads = [threading.Thread(target=play) for _ in range(AT_ONCE)]
    for thread in threads:
        thread.start()
    for machine, enough in zip(reversed(machines), (MEMBERS // 4, MEMBERS // 2), strict=True):
        while len(done) < enough:
            time.sleep(0.2)
        machine.kill()
        print(f"{len(done)} members in; {machine.machine} killed")
        time.sleep(5.0)
        machine.start()
    for thread in threads:
        thread.join()
    broken = [one for member in members for one in member.broken]
    for one in broken:
        print("  ", *one)
    ours = "golfer_id IN (SELECT id FROM golfers WHERE demo IS NULL)"
    told = {
        "golfers": int(ask("SELECT count(*) FROM golfers WHERE demo IS NULL AND NOT club")),
        "members of the club": int(
            ask(f"SELECT count(*) FROM sharings WHERE {ours.replace('golfer', 'giver', 1)}")
        ),
        "putts": int(ask(f"SELECT count(*) FROM logged_putts WHERE {ours}")),
        "archives": int(ask("SELECT count(*) FROM jobs WHERE kind = 'archive' AND state = 'done'")),
    }
    wanted = dict(zip(told, (MEMBERS, MEMBERS, PUTTS * (MEMBERS - 1), MEMBERS - 1), strict=True))
    retries = sum(member.retries for member in members)
    print(f"kept: {told}; acknowledged: {wanted}; sent again {retries} times; broken {len(broken)}")
    return told == wanted and not broken


if __name__ == "__main__":
    main()
