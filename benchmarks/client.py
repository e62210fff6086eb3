"""A client of the served application, for benchmarks: each request from an address of its own."""

import http.client
import random
import re
import time
import urllib.request
from datetime import UTC, datetime
from urllib.parse import urlencode, urlsplit

from orthocline.web.shared.read_address import demo_values
from orthocline.wording.wording import USUAL_WORDING


def some_address():
    """Return a header that lets a request come from an address of its own: limits are for one."""
    return {"X-Forwarded-For": ".".join(["10", *(str(random.randrange(256)) for _ in range(3))])}


def fetch(address, headers=None):
    start = time.perf_counter()
    request = urllib.request.Request(address, headers={**some_address(), **(headers or {})})
    with urllib.request.urlopen(request) as solved:
        body = solved.read()
    return time.perf_counter() - start, body


def enter(base):
    """Sign a golfer up who has saved one putt; return the cookie."""
    connection, headers = http.client.HTTPConnection(urlsplit(base).netloc), {}

    def send(method, path, fields=None):
        body = urlencode(fields) if fields else None
        kind = {"Content-Type": "application/x-www-form-urlencoded"} if fields else {}
        connection.request(method, path, body, headers | kind | some_address())
        solved = connection.getresponse()
        if solved.headers["Set-Cookie"]:
            headers["Cookie"] = solved.headers["Set-Cookie"].split(";")[0]
        page = solved.read().decode()
        return (re.findall(r'name="csrf_token" value="([^"]+)"', page) or [""])[0]

    token = send("GET", "/sign-up")
    send("POST", "/sign-up", {"name": "Bench", "password": "four unrelated hedgehogs", "csrf_token": token})
    send(
        "POST", "/log", {**demo_values(USUAL_WORDING, datetime.now(UTC)), "csrf_token": send("GET", "/read")}
    )
    connection.close()
    return headers


def fetch_archive(base, cookie):
    """Ask for the archive, wait until the worker has made it, and return the seconds and the file."""
    began, connection = time.perf_counter(), http.client.HTTPConnection(urlsplit(base).netloc)
    page = fetch(base + "/account", cookie)[1].decode()
    token = re.search(r'name="csrf_token" value="([^"]+)"', page)[1]
    form = {"Content-Type": "application/x-www-form-urlencoded"}
    asking = urlencode({"csrf_token": token})
    connection.request("POST", "/account/export", asking, form | cookie | some_address())
    answer = connection.getresponse()
    answer.read()
    job = base + urlsplit(answer.headers["Location"]).path
    while b"Take the file" not in fetch(job, cookie)[1]:
        time.sleep(0.1)
    return time.perf_counter() - began, fetch(f"{job}/result", cookie)[1]
