"""Golfers who do things without pause, and know what was acknowledged to them."""

import html
import http.client
import io
import json
import random
import re
import threading
import time
import zipfile
from dataclasses import dataclass, field
from urllib.parse import urlencode
from uuid import uuid4

PASSWORD = "four unrelated hedgehogs"
ANSWERED, AGAIN = 303, (0, 429, 502, 503, 504)
LINES = 6
TWICE = 0.2
"""So often a form that was acknowledged is sent once more."""
PATIENCE_S = 240.0
FORM = "application/x-www-form-urlencoded"
EDGE = "edge-of-a-part"


@dataclass
class Golfer:
    """One golfer's browser, and what was acknowledged to it."""

    port: int
    number: int
    host: str = "127.0.0.1"
    acknowledged: list[tuple[str, str]] = field(default_factory=list)
    finishes: dict[str, float] = field(default_factory=dict)
    broken: list[tuple[str, str]] = field(default_factory=list)
    retries: int = 0
    jobs: int = 0
    cookie: str = ""
    token: str = ""
    ends: threading.Event = field(default_factory=threading.Event)

    def connection(self):
        return http.client.HTTPConnection("127.0.0.1", self.port, timeout=15)

    def ask(self, method, path, body=None, kind=FORM):
        """Send one request; return status, address to go on to, and what came; status 0 for no answer."""
        headers = {"X-Forwarded-For": f"192.0.2.{self.number}", "Cookie": self.cookie, "Host": self.host}
        headers["Referer"] = f"https://{self.host}/"
        if body is not None:
            headers["Content-Type"] = kind
        connection = self.connection()
        try:
            connection.request(method, path, body, headers)
            answer = connection.getresponse()
            told = answer.read()
        except (OSError, http.client.HTTPException):
            return 0, "", b""
        finally:
            connection.close()
        if answer.headers["Set-Cookie"]:
            self.cookie = answer.headers["Set-Cookie"].split(";")[0]
        return answer.status, answer.headers["Location"] or "", told

    def insist(self, path, fields, file=None):
        """Send a form until it is acknowledged, and now and then once more; return where it leads."""
        sent = {**fields, "csrf_token": self.token, "key": str(uuid4())}
        body, kind = (urlencode(sent), FORM) if file is None else parts(sent, file)
        while True:
            status, location, _ = self.ask("POST", path, body, kind)
            if status == ANSWERED:
                break
            if status not in AGAIN:
                raise AssertionError(f"{path} answers {status}")
            self.retries += 1
            time.sleep(0.2)
        if random.random() < TWICE:
            self.ask("POST", path, body, kind)
        return location

    def see(self, path, wanted=(200,)):
        """Return a page, however long it takes, with where it leads on to."""
        while True:
            status, location, told = self.ask("GET", path)
            if status in wanted:
                return location, told
            time.sleep(0.2)

    def take_token(self, path):
        """Take the guard against forged forms from a page."""
        page = self.see(path)[1].decode()
        self.token = html.unescape(re.search(r'name="csrf_token" value="([^"]+)"', page)[1])

    def enter(self):
        """Sign up."""
        self.take_token("/sign-up")
        self.insist("/sign-up", {"name": f"Golfer {self.number}", "password": PASSWORD})
        self.take_token("/log")

    @property
    def deeds(self):
        return self.note, self.note, self.save, self.measure

    def play(self):
        """Enter things until told to end."""
        rng = random.Random(self.number)
        while not self.ends.is_set():
            deed = rng.choice(self.deeds)
            try:
                deed(uuid4().hex, rng)
            except Exception as error:
                self.broken.append((deed.__name__, repr(error)))

    def note(self, marker, rng):
        after = self.insist("/log/note", {"length": "20 ft", "note": marker})
        where = f"/log/{after.rpartition('=')[2]}/finish"
        self.acknowledged.append(("logged_putts.note", marker))
        along = rng.randint(1, 90)
        finish = {"along": f"{along} cm", "along_way": "past", "across": "3 cm", "across_way": "left"}
        self.insist(where, finish)
        self.finishes[marker] = along / 100.0

    def save(self, marker, rng):
        self.insist("/log", {"length": f"{rng.randint(3, 30)} ft", "course": marker})
        self.acknowledged.append(("courses.name", marker))

    def measure(self, marker, rng):
        posted = {"by": "posted", "posted": f"{rng.randint(8, 12)}", "course": "Ternholm", "note": marker}
        self.insist("/speed/without-a-ramp", posted)
        self.acknowledged.append(("speed_notes.note", marker))


class Keeper(Golfer):
    """One who gives files and takes archives: what is asked for is done in the background."""

    @property
    def deeds(self):
        return self.putts_in, self.green_in, self.archive, self.note

    def until(self, path, ready, what):
        """Look at a page until it says that something is done; return where it leads and what it says."""
        ends = time.monotonic() + PATIENCE_S
        while time.monotonic() < ends:
            location, told = self.see(path, (200, 303))
            if ready(location, told):
                self.jobs += 1
                return location, told
            time.sleep(0.3)
        self.broken.append((what, path))
        return "", b""

    def putts_in(self, marker, _rng):
        """Give a file of putts, see it tried, and keep it."""
        lines = [f"2026-06-01T09:{n:02d}Z,20,no,{marker} {n}" for n in range(LINES)]
        file = ("putts.csv", "\n".join(["at,length_ft,holed,note", *lines]).encode())
        where = self.insist("/log/files", {}, file)
        if not self.until(where, lambda _, told: f"{where}/keep".encode() in told, "trial")[1]:
            return
        kept = self.insist(f"{where}/keep", {})
        if self.until(kept, lambda location, _: location.endswith("/kept"), "putts kept")[0]:
            self.acknowledged += [("logged_putts.note", f"{marker} {n}") for n in range(LINES)]

    def green_in(self, marker, _rng):
        """Give a file of a green, look at it, and keep it."""
        points = "".join(f"{x} {y} {10 + 0.02 * x}\n" for x in range(20) for y in range(20))
        fields = {"course": "Ternholm", "green": marker, "unit": "metre", "height_unit": "metre"}
        where = self.insist("/greens/files", fields, ("green.xyz", points.encode()))
        if self.until(where, lambda _, told: f"{where}/keep".encode() in told, "green read")[1]:
            self.insist(f"{where}/keep", {})
            self.acknowledged.append(("greens.name", marker))

    def archive(self, _marker, _rng):
        """Take everything along, miss nothing in it, and bring it in again, which changes nothing."""
        noted = [marker for kind, marker in self.acknowledged if kind == "logged_putts.note"]
        where = self.insist("/account/export", {})
        if not self.until(where, lambda _, told: f"{where}/result".encode() in told, "archive")[1]:
            return
        file = self.see(f"{where}/result")[1]
        with zipfile.ZipFile(io.BytesIO(file)) as whole:
            name = next(one for one in whole.namelist() if one.endswith("logged_putts.jsonl"))
            there = {json.loads(line).get("note") for line in whole.read(name).splitlines()}
        self.broken += [("not in the archive", marker) for marker in noted if marker not in there]
        brought = self.insist("/account/archive", {}, ("account.zip", file))
        self.until(brought, lambda location, _: "/account/archive/" in location, "archive brought in")


def parts(fields, file):
    """Return a form with a file, and its kind."""
    opens = f'--{EDGE}\r\nContent-Disposition: form-data; name="'
    told = "".join(f'{opens}{name}"\r\n\r\n{value}\r\n' for name, value in fields.items())
    head = f'{told}{opens}file"; filename="{file[0]}"\r\n\r\n'
    body = head.encode() + file[1] + f"\r\n--{EDGE}--\r\n".encode()
    return body, f"multipart/form-data; boundary={EDGE}"
