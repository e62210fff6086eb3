"""All pages of a golfer, walked from link to link; and what can be asked of them."""

import random
import re
from typing import NamedTuple
from urllib.parse import parse_qsl, urlsplit

from bs4 import BeautifulSoup
from werkzeug.exceptions import HTTPException
from werkzeug.routing import RequestRedirect

EACH = 6
"""So many different links or forms of one route are taken."""
LINKS = re.compile(r'(?:href|hx-get|action)="(/[^"#]*|\\?[^"#]*)"')


class Seed(NamedTuple):
    """A right request: how, which address, what with, and which route it is of."""

    method: str
    path: str
    fields: tuple[tuple[str, str], ...]
    of: str


def client_of(app, golfer):
    """Return a client in which a golfer is signed in."""
    client = app.test_client()
    with client.session_transaction() as cookie:
        cookie["_user_id"], cookie["_fresh"] = f"{golfer.id}.{golfer.session_version}", True
    return client


def walked(app, client):
    """Return what the pages of a golfer ask for: the requests of each method and route."""
    return Walk(app, client).found()


class Walk:
    """What is found of the pages."""

    def __init__(self, app, client):
        self.app, self.client, self.seeds = app, client, {}
        self.adapter = app.url_map.bind("127.0.0.1")

    def found(self):
        """Walk, and return it; forms that no page shows are asked empty."""
        plain = [rule.rule for rule in self.app.url_map.iter_rules() if not rule.arguments]
        waiting, seen = ["/", *plain], set()
        while waiting:
            address = waiting.pop(0)
            if address not in seen and self._is_new(address):
                waiting += self._page(address)
            seen.add(address)
        for rule in self.app.url_map.iter_rules():
            if "POST" in rule.methods and not rule.rule.startswith("/api"):
                path = re.sub(r"<[^>]*>", "1", rule.rule)
                self.seeds.setdefault(("POST", rule.endpoint), {path: Seed("POST", path, (), rule.endpoint)})
        return {key: list(seeds.values()) for key, seeds in self.seeds.items()}

    def _is_new(self, address):
        parts = urlsplit(address)
        of = self._route("GET", parts.path)
        if of in (None, "static") or len(self.seeds.get(("GET", of), ())) >= EACH:
            return False
        query = tuple(parse_qsl(parts.query, keep_blank_values=True))
        self._keep(address, Seed("GET", parts.path, query, of))
        return True

    def _keep(self, key, seed):
        kept = self.seeds.setdefault((seed.method, seed.of), {})
        if len(kept) < EACH:
            kept.setdefault(key, seed)

    def _route(self, method, path):
        try:
            return self.adapter.match(path, method=method)[0]
        except (HTTPException, RequestRedirect):
            return None

    def _page(self, address):
        """Keep the forms of a page, and return where it leads."""
        answer, here = self.client.get(address), urlsplit(address).path
        if answer.mimetype != "text/html":
            return []
        page = BeautifulSoup(answer.text, "lxml")
        for form in page.find_all("form"):
            self._form(form, (form.get("method") or "get").upper(), form.get("action") or here)
        for one in page.select("[hx-post]"):
            self._form(one if one.name == "form" else one.find_parent("form"), "POST", one["hx-post"])
        told = [one.replace("&amp;", "&") for one in LINKS.findall(answer.text)]
        return [one if one[0] == "/" else here + one for one in told]

    def _form(self, form, method, action):
        path = urlsplit(action)
        of = self._route(method, path.path)
        fields = (*parse_qsl(path.query), *(fields_of(form) if form else ()))
        if of:
            self._keep(
                (tuple(sorted({name for name, _ in fields})), path.path), Seed(method, path.path, fields, of)
            )


def fields_of(form):
    """Return what a form says as it stands."""
    fields = []
    for one in form.select("input[name], select[name], textarea[name], button[name]"):
        if one.name == "select":
            options = [option.get("value", option.text) for option in one.find_all("option")]
            fields.append((one["name"], random.choice(options) if options else ""))
        elif one.get("type") not in ("checkbox", "radio") or one.has_attr("checked"):
            fields.append((one["name"], one.text if one.name == "textarea" else one.get("value", "")))
    return tuple(field for field in fields if field[0] != "csrf_token")
