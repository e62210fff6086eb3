"""As it is really served: slow strangers, long addresses, strange names, and a master that is killed."""

import http.client
import os
import re
import signal
import socket
import subprocess
import sys
import time
from contextlib import ExitStack, closing
from http.cookies import SimpleCookie
from pathlib import Path
from urllib.parse import urlencode

import pytest

from orthocline.cli import serve
from orthocline.web.serving import ARRIVAL_S
from orthocline.web.settings import SettingError, processes, settings
from tests.conftest import PASSWORD, SECRET

HALF = {
    "head": b"GET /read HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ",
    "body": b"POST /sign-in HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 900\r\n"
    b"Content-Type: application/x-www-form-urlencoded\r\n\r\nname=T",
    "idle": b"",
}


class Served:
    """The application, served by the command; and what a client may do to it."""

    def __init__(self, url, **environment):
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            self.port = probe.getsockname()[1]
        self.environment = os.environ | {"DATABASE_URL": url, "ORTHOCLINE_SECRET": SECRET} | environment
        self.start()

    def start(self):
        command = [sys.executable, "-m", "orthocline.cli.main", "serve", "--port", str(self.port)]
        self.process = subprocess.Popen(command, env=self.environment, stdout=subprocess.DEVNULL)
        deadline = time.monotonic() + 60
        while time.monotonic() < deadline and self.process.poll() is None:
            try:
                return self.get("/cautions")
            except OSError:
                time.sleep(0.1)
        raise AssertionError("it does not come up")

    def get(self, path, **headers):
        with closing(http.client.HTTPConnection("127.0.0.1", self.port, timeout=30)) as connection:
            connection.request("GET", path, headers=headers)
            response = connection.getresponse()
            return response.status, response.read().decode()

    def connect(self):
        return socket.create_connection(("127.0.0.1", self.port), timeout=30)

    def workers(self):
        children = Path(f"/proc/{self.process.pid}/task/{self.process.pid}/children").read_text()
        return [int(pid) for pid in children.split()]

    def stop(self):
        self.process.terminate()
        self.process.wait()


@pytest.fixture(scope="module")
def served(copy_demo):
    running = Served(copy_demo(f"orthocline_served_{os.environ.get('PYTEST_XDIST_WORKER', 'main')}"))
    yield running
    running.stop()


def drip(stranger, begun):
    """Send a byte now and then until nobody takes it any more; return how long that was."""
    while time.monotonic() < begun + 40:
        time.sleep(0.2)
        try:
            stranger.sendall(b"x")
        except OSError:
            break
    return time.monotonic() - begun


def test_sixty_four_slow_strangers_keep_nobody_waiting_and_are_given_up(served):
    with ExitStack() as stack:
        slow, begun = [], time.monotonic()
        dripping = stack.enter_context(served.connect())
        dripping.sendall(HALF["head"])
        for i in range(64):
            stranger = stack.enter_context(served.connect())
            stranger.sendall(list(HALF.values())[i % 3])
            slow.append((list(HALF)[i % 3], stranger))
        waits = []
        for _ in range(20):
            start = time.monotonic()
            assert served.get("/read?length=14+ft")[0] == 200
            waits.append(time.monotonic() - start)
        assert sorted(waits)[10] < 2.0, "a read beside them"
        assert drip(dripping, begun) < 25
        for kind, stranger in slow:
            told = stranger.recv(4096)  # given up, not held for ever: the socket's own time is 30 s
            assert told == b"" or told.startswith(b"HTTP/1.1 400"), kind
    assert served.get("/cautions")[0] == 200


class Golfer:
    """A golfer who signed up: the cookies of their browser, and the guard of a page's form."""

    def __init__(self, served):
        self.served, self.cookies = served, {}
        self.ask("POST", "/sign-up", name="Tove", password=PASSWORD, csrf_token=self.guard("/sign-up"))

    def ask(self, method, path, **fields):
        with closing(http.client.HTTPConnection("127.0.0.1", self.served.port, timeout=30)) as connection:
            headers = {"Cookie": self.cookie, "Content-Type": "application/x-www-form-urlencoded"}
            connection.request(method, path, urlencode(fields), headers)
            answer = connection.getresponse()
            for name, morsel in SimpleCookie(", ".join(answer.headers.get_all("Set-Cookie", []))).items():
                self.cookies[name] = morsel.value
            return answer.read().decode()

    @property
    def cookie(self):
        return "; ".join(f"{name}={said}" for name, said in self.cookies.items())

    def guard(self, path):
        return re.search(r'name="csrf_token" value="([^"]+)"', self.ask("GET", path))[1]


def test_a_golfers_file_may_take_longer_to_arrive_than_a_form(served):
    golfer = Golfer(served)
    fields = {"csrf_token": golfer.guard("/greens/files"), "course": "Links", "green": "9"}
    opens = '--edge\r\nContent-Disposition: form-data; name="{}"\r\n\r\n{}'.format
    parts = [opens(*field) for field in fields.items()]
    parts.append(opens('file"; filename="a.xyz', "1 2 3\n" * 40_000))
    body = "\r\n".join([*parts, "--edge--\r\n"]).encode()
    head = (
        f"POST /greens/files HTTP/1.1\r\nHost: 127.0.0.1\r\nCookie: {golfer.cookie}\r\n"
        f"Content-Type: multipart/form-data; boundary=edge\r\nContent-Length: {len(body)}\r\n\r\n"
    )
    with served.connect() as client:
        client.sendall(head.encode() + body[:-9])
        time.sleep(ARRIVAL_S + 1.0)
        client.sendall(body[-9:])
        assert client.recv(4096).startswith(b"HTTP/1.1 303")


@pytest.mark.parametrize("length", [5_000, 20_000])
def test_a_long_address_is_answered_with_a_page(served, length):
    status, page = served.get("/read?course=" + "x" * length)
    assert status == 414
    assert "That address is too long" in page


@pytest.mark.parametrize("host", ["a..b", "evil.example", "127.0.0.1.evil.example", "x" * 300, "[::1"])
def test_a_strange_name_is_answered_with_a_page(served, host):
    status, page = served.get("/read", Host=host)
    assert status == 400
    assert "ORTHOCLINE_HOSTS" in page


def beside(served):
    """The process that works in the background, once it is there."""
    deadline = time.monotonic() + 20
    while time.monotonic() < deadline:
        for tasks in Path(f"/proc/{served.process.pid}/task").glob("*/children"):
            for pid in map(int, tasks.read_text().split()):
                if b"orthocline.jobs" in Path(f"/proc/{pid}/cmdline").read_bytes():
                    return pid
        time.sleep(0.1)
    raise AssertionError("nobody works in the background")


def gone(pid):
    deadline = time.monotonic() + 10
    while Path(f"/proc/{pid}").exists() and time.monotonic() < deadline:
        time.sleep(0.1)
    return not Path(f"/proc/{pid}").exists()


def test_a_killed_master_takes_its_workers_along_and_frees_the_port(served):
    workers, beside_it = served.workers(), beside(served)
    assert len(workers) == 2
    with served.connect() as held:
        held.sendall(HALF["body"])
        os.kill(served.process.pid, signal.SIGKILL)
        served.process.wait()
        served.start()
    assert not any(Path(f"/proc/{pid}/cwd").exists() for pid in workers)
    assert gone(beside_it), "whose master was killed ends too"


def test_a_killed_worker_is_replaced(served):
    for pid in served.workers():
        os.kill(pid, signal.SIGKILL)
    deadline = time.monotonic() + 20
    while time.monotonic() < deadline:
        try:
            assert served.get("/cautions")[0] == 200
            break
        except OSError:
            time.sleep(0.1)
    assert served.get("/cautions")[0] == 200


def test_instances_share_no_control_socket(served):
    assert served.get("/cautions")[0] == 200
    pids = [served.process.pid, *served.workers()]
    sockets = Path("/proc/net/unix").read_text()
    held = {os.readlink(fd)[8:-1] for pid in pids for fd in descriptors(pid) if is_socket(fd)}
    assert held
    named = [line for line in sockets.splitlines() if line.split()[6:7] and set(line.split()) & held]
    assert [line for line in named if len(line.split()) > 7] == []


def descriptors(pid):
    """Return what a process holds open; of one that has ended, and is not buried yet, nothing can be seen."""
    try:
        return list(Path(f"/proc/{pid}/fd").iterdir())
    except OSError:
        return []


def is_socket(descriptor):
    try:
        return os.readlink(descriptor).startswith("socket:[")
    except OSError:
        return False


def test_the_worker_of_jobs_is_replaced_and_ends_with_the_server(served):
    first = beside(served)
    os.kill(first, signal.SIGKILL)
    assert gone(first)
    second = beside(served)
    served.stop()
    assert gone(second)


def test_root_lets_an_account_without_rights_answer_where_it_can(monkeypatch):
    if os.geteuid() != 0:
        assert serve._account() == ""
        return
    monkeypatch.setattr(sys, "executable", "/bin/true")
    assert serve._account() == "www-data"
    monkeypatch.setattr(sys, "executable", "/bin/false")
    assert serve._account() == ""


def test_settings_are_read_and_checked():
    found = settings(
        {
            "DATABASE_URL": "x",
            "ORTHOCLINE_HOSTS": "greens.example, localhost",
            "ORTHOCLINE_PROXIES": "1",
            "ORTHOCLINE_SECURE": "1",
        }
    )
    assert found["TRUSTED_HOSTS"] == ["greens.example", "localhost"]
    assert (found["PROXIES"], found["SECURE"], found["DEMO"]) == (1, True, False)
    assert "TRUSTED_HOSTS" not in settings({"DATABASE_URL": "x"})
    assert (
        settings({"DATABASE_URL": "x", "REDIS_URL": "redis://h:1"})["RATELIMIT_STORAGE_URI"] == "redis://h:1"
    )
    assert processes({}) == (2, True, "info")
    assert processes({"ORTHOCLINE_WORKERS": "5", "ORTHOCLINE_JOBS": "0", "ORTHOCLINE_LOG": "error"}) == (
        *(5, False),
        "error",
    )
    for name, value in (
        ("ORTHOCLINE_PROXIES", "many"),
        ("ORTHOCLINE_SECURE", "yes"),
        ("ORTHOCLINE_DEMO", ""),
        ("ORTHOCLINE_SLOW_MS", "-1"),
        ("REDIS_URL", "http://h"),
        ("ORTHOCLINE_WORKERS", "0"),
        ("ORTHOCLINE_JOBS", "no"),
        ("ORTHOCLINE_LOG", "loud"),
    ):
        with pytest.raises(SettingError, match=name):
            settings({"DATABASE_URL": "x", name: value}) and processes({name: value})
