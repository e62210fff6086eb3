"""From a phone on the course: over TLS by the command itself, and behind nginx as the docs have it."""

import configparser
import http.client
import os
import re
import shlex
import signal
import socket
import ssl
import subprocess
import sys
import time
from contextlib import closing
from pathlib import Path

import pytest
from click.testing import CliRunner

from orthocline.cli.main import main
from tests.conftest import SECRET

ROOT = Path(__file__).parents[2]
RUNNING = (ROOT / "docs/running.md").read_text(encoding="utf-8")
NAME = "greens.example"
COMMAND = f"{sys.executable} -m orthocline.cli.main"
YEAR = "max-age=31556926"


def block(kind, holding):
    """Return the block of the docs that holds some words."""
    return next(one for one in re.findall(rf"```{kind}\n(.*?)```", RUNNING, re.S) if holding in one)


def free_port():
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]


class Running:
    """A program that is up once its port answers."""

    def __init__(self, command, port, environment=None, says=subprocess.DEVNULL):
        self.port = port
        self.process = subprocess.Popen(command, env=environment, stdout=subprocess.DEVNULL, stderr=says)
        deadline = time.monotonic() + 60
        while time.monotonic() < deadline and self.process.poll() is None:
            with socket.socket() as probe:
                if probe.connect_ex(("127.0.0.1", port)) == 0:
                    return
            time.sleep(0.1)
        raise AssertionError(f"{command[0]} does not come up")

    def stop(self):
        self.process.send_signal(signal.SIGQUIT)
        self.process.wait()


@pytest.fixture(scope="module")
def certificate(tmp_path_factory):
    """A certificate for the name and for loopback, made as the docs make one."""
    folder = tmp_path_factory.mktemp("tls")
    command = block("sh", "openssl").replace("192.168.1.20", "127.0.0.1").replace("\\\n", " ")
    subprocess.run(shlex.split(command), cwd=folder, check=True, capture_output=True)
    return folder / "greens.pem", folder / "greens.key"


@pytest.fixture(scope="module")
def database(copy_demo):
    return copy_demo(f"orthocline_tls_{os.environ.get('PYTEST_XDIST_WORKER', 'main')}")


def environment(database, **more):
    return os.environ | {"DATABASE_URL": database, "ORTHOCLINE_SECRET": SECRET} | more


@pytest.fixture(scope="module")
def secured(certificate, database, tmp_path_factory):
    """The application as the docs serve it in one's own network; its port, and what it complained of."""
    port, said = free_port(), tmp_path_factory.mktemp("said") / "errors"
    command = block("sh", "--tls-cert").replace("8443", str(port))
    for written, real in zip(("greens.pem", "greens.key"), certificate, strict=True):
        command = command.replace(written, str(real))
    told = shlex.split(command.replace(".venv/bin/orthocline", COMMAND))
    with said.open("w") as errors:
        running = Running(told, port, environment(database), errors)
        yield port, said
        running.stop()


def trusting(certificate):
    return ssl.create_default_context(cafile=certificate[0])


def ask(port, context, path="/", method="GET", body=None, **headers):
    """Return status, headers and page; over TLS where there is a context."""
    there = ("127.0.0.1", port)
    made = (
        http.client.HTTPSConnection(*there, timeout=30, context=context)
        if context
        else http.client.HTTPConnection(*there, timeout=30)
    )
    with closing(made) as connection:
        connection.request(method, path, body, headers)
        answer = connection.getresponse()
        return answer.status, answer.headers, answer.read()


def test_the_command_serves_over_tls_with_secure_cookies_and_asks_to_stay_on_it(secured, certificate):
    port, said = secured
    status, headers, page = ask(port, trusting(certificate), "/sign-in")
    assert status == 200
    assert b"Sign in" in page
    assert "Secure" in headers["Set-Cookie"]
    assert headers["Strict-Transport-Security"].startswith(YEAR)
    assert "passwords travel" not in said.read_text()


def test_over_tls_others_do_not_find_the_demo_golfer_but_a_code_for_their_phones(secured, certificate):
    port, _ = secured
    page = ask(port, trusting(certificate))[2].decode()
    assert "as Wren Halloran" not in page
    assert "Point its camera here" in page
    address = re.search(r"https://[\d.]+:(\d+)", page)
    assert int(address[1]) == port
    name = address[0].removeprefix("https://")
    assert ask(port, trusting(certificate), "/cautions", Host=name)[0] == 200


def test_over_tls_one_connection_serves_many_requests_and_forms(secured, certificate):
    port, said = secured
    with closing(
        http.client.HTTPSConnection("127.0.0.1", port, timeout=30, context=trusting(certificate))
    ) as connection:
        for path in ("/cautions", "/course", "/service-worker.js"):
            connection.request("GET", path)
            answer = connection.getresponse()
            assert answer.status == 200
            assert len(answer.read()) > 1000
        connection.request("POST", "/sign-in", "name=Tove&note=" + "x" * 60_000)
        assert connection.getresponse().status == 400
    assert "Traceback" not in said.read_text()


def test_who_speaks_no_tls_or_says_nothing_keeps_nobody_waiting(secured, certificate):
    port, said = secured
    strangers = [socket.create_connection(("127.0.0.1", port), timeout=30) for _ in range(12)]
    try:
        for stranger in strangers[:6]:
            stranger.sendall(b"GET / HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
        begun = time.monotonic()
        assert ask(port, trusting(certificate), "/cautions")[0] == 200
        assert time.monotonic() - begun < 5.0
        assert b"<html" not in strangers[0].recv(1000)
    finally:
        for stranger in strangers:
            stranger.close()
    assert "Traceback" not in said.read_text()


@pytest.fixture(scope="module")
def proxied(certificate, database, tmp_path_factory):
    """The service and nginx as the docs have them; the ports of nginx for TLS and without."""
    inner, secure, plain = free_port(), free_port(), free_port()
    unit = configparser.RawConfigParser(strict=False, delimiters=("=",))
    unit.optionxform = str
    unit.read_string(block("ini", "ExecStart"))
    told = dict(one.split("=", 1) for one in re.findall(r"Environment=(.*)", block("ini", "ExecStart")))
    command = unit["Service"]["ExecStart"].replace("--port 8000", f"--port {inner}")
    command = command.replace("/srv/orthocline/.venv/bin/orthocline", COMMAND)
    service = Running(shlex.split(command), inner, environment(database, **told))
    folder = tmp_path_factory.mktemp("nginx")
    config = block("nginx", "proxy_pass")
    for written, real in (
        ("443 ssl", f"127.0.0.1:{secure} ssl"),
        ("listen 80", f"listen 127.0.0.1:{plain}"),
        ("/etc/ssl/greens.example.pem", certificate[0]),
        ("/etc/ssl/greens.example.key", certificate[1]),
        ("127.0.0.1:8000", f"127.0.0.1:{inner}"),
    ):
        assert written in config
        config = config.replace(written, str(real))
    kept = " ".join(
        f"{name}_temp_path {folder}/{name};" for name in ("client_body", "proxy", "fastcgi", "uwsgi", "scgi")
    )
    file = folder / "nginx.conf"
    own = "user root;" if os.geteuid() == 0 else ""
    file.write_text(
        f"{own} daemon off; pid {folder}/pid; error_log {folder}/errors; events {{}}\n"
        f"http {{ access_log off; {kept}\n{config}\n}}"
    )
    proxy = Running(["/usr/sbin/nginx", "-c", str(file), "-e", f"{folder}/errors"], secure)
    yield secure, plain
    proxy.stop()
    service.stop()


def test_behind_nginx_as_written_pages_come_over_tls_alone(proxied, certificate):
    secure, plain = proxied
    status, headers, page = ask(secure, trusting(certificate), "/sign-in", Host=NAME)
    assert status == 200
    assert "Secure" in headers["Set-Cookie"]
    assert headers["Strict-Transport-Security"].startswith(YEAR)
    assert f"https://{NAME}".encode() in ask(secure, trusting(certificate), "/", Host=NAME)[2]
    status, headers, _ = ask(plain, None, "/course?x=1", Host=NAME)
    assert (status, headers["Location"]) == (301, f"https://{NAME}/course?x=1")
    assert b"as Wren Halloran" not in page


def test_behind_nginx_as_written_only_files_may_be_large(proxied, certificate):
    secure, _ = proxied
    context, large = trusting(certificate), b"x" * 300_000
    assert ask(secure, context, "/sign-in", "POST", large, Host=NAME)[0] == 413
    assert ask(secure, context, "/greens/files", "POST", large, Host=NAME)[0] in (400, 401, 413)
    assert ask(secure, context, "/cautions", Host="another.example")[0] == 400


@pytest.mark.parametrize("given", ["--tls-cert", "--tls-key"])
def test_certificate_and_key_go_together(given):
    refused = CliRunner().invoke(main, ["serve", given, __file__])
    assert refused.exit_code == 2
    assert "go together" in refused.output
