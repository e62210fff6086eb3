"""A golfer of the club on the course, as locust plays many of them: reads, drags, notes, looks things up.

Run by `benchmarks/load.py`, in an environment of its own.
"""

import html
import itertools
import os
import random
import re
from uuid import uuid4

import gevent
from locust import HttpUser, between, events, task

PASSWORD = "four unrelated hedgehogs"
MEMBERS = int(os.environ.get("LOAD_MEMBERS", "200"))
NUMBERS = itertools.count(1)
PART = {"HX-Request": "true"}
LOOKED_UP = ("/figures", "/rounds", "/greens", "/", "/speed", "/train")
GUARD = re.compile(r'name="csrf_token" value="([^"]+)"')


RUNNING = []
SETTLES_S = 30.0
"""What waited while all signed in is over then, and counting begins."""


@events.spawning_complete.add_listener
def settle(**_more):
    gevent.spawn_later(SETTLES_S, lambda: RUNNING[0].stats.reset_all())


@events.init.add_listener
def remember(environment, **_more):
    RUNNING.append(environment)


class Golfer(HttpUser):
    """A member, who asks something every sixteen seconds: on a course a putt takes minutes."""

    wait_time = between(8.0, 24.0)

    def on_start(self):
        number = next(NUMBERS)
        self.client.headers["X-Forwarded-For"] = f"10.9.{number // 250}.{number % 250 + 1}"
        entry = {"name": f"Member {(number - 1) % MEMBERS + 1}", "password": PASSWORD}
        self.token = self.guard("/sign-in")
        self.post("/sign-in", entry, "sign in")
        self.token = self.guard("/log")

    def guard(self, path):
        return html.unescape(GUARD.search(self.client.get(path, name="(begin)").text)[1])

    def post(self, path, fields, name):
        told = {**fields, "csrf_token": self.token, "key": str(uuid4())}
        with self.client.post(path, told, name=name, allow_redirects=False, catch_response=True) as answer:
            if answer.status_code != 303:
                answer.failure(f"{answer.status_code}")
            else:
                answer.success()
        return answer.headers.get("Location", "")

    def putt(self):
        return {
            "length": f"{random.uniform(5.0, 40.0):.1f} ft",
            "side": f"{random.uniform(0.5, 3.0):.1f} %",
            "falls": random.choice(("left", "right")),
            "rise": f"{random.uniform(0.0, 2.0):.1f} %",
            "slope": random.choice(("up", "down")),
            "speed": f"{random.uniform(8.0, 11.5):.1f}",
            "past": "12 in",
        }

    @task(10)
    def redraw(self):
        self.client.get("/read", params=self.putt(), headers=PART, name="redraw")

    @task(2)
    def open_a_read(self):
        self.client.get("/read", params=self.putt(), name="read")

    @task(2)
    def note(self):
        after = self.post("/log/note", {"length": f"{random.randint(3, 40)} ft", "note": "load"}, "save")
        finish = {"along": "12 in", "along_way": "past", "across": "2 in", "across_way": "left"}
        number = after.rpartition("=")[2]
        self.post(f"/log/{number}/finish", finish, "save")

    @task(1)
    def save_a_read(self):
        self.post("/log", self.putt(), "save")

    @task(2)
    def log(self):
        self.client.get("/log", name="log")

    @task(6)
    def look_up(self):
        path = random.choice(LOOKED_UP)
        self.client.get(path, name=path.strip("/") or "today")
