"""Nothing doubled, nothing lost: forms with a one-time key, entered once, and sent again as they were."""

import json
from dataclasses import dataclass
from urllib.parse import urlencode
from uuid import UUID, uuid4, uuid5

from flask import request
from flask_wtf.csrf import generate_csrf
from markupsafe import Markup
from werkzeug.exceptions import BadRequest

from orthocline.web.local import local_path

GUARDS = ("csrf_token", "key")
"""Fields that guard a form and say nothing."""
SECRETS = ("password", "new_password")
UNTYPED = ("key", "next", "time_zone")
"""Fields that nobody typed."""


def form_guard(form: str = "") -> Markup:
    """Return the hidden fields of every form that writes: against forgery, and against entering twice.

    Those of a `form` that they do not stand in name it.
    """
    of = Markup(' form="{}"').format(form) if form else ""
    field = Markup('<input type="hidden"{} name="{}" value="{}">').format
    return field(of, "csrf_token", generate_csrf()) + field(of, "key", uuid4())


@dataclass(frozen=True)
class Typed:
    """A form that was sent and not taken, to be sent again as it was.

    Attributes
    ----------
    address : str
        Where it was sent.
    fields : tuple of (str, str)
        What it said, with its one-time key but without secrets.
    secrets : tuple of str
        The fields that have to be typed again.
    """

    address: str
    fields: tuple[tuple[str, str], ...]
    secrets: tuple[str, ...] = ()

    @property
    def shown(self) -> tuple[tuple[str, str], ...]:
        """What a person typed or chose, for them to see that it is still there."""
        return tuple((name, value) for name, value in self.fields if value and name not in UNTYPED)

    @property
    def text(self) -> str:
        """The same as text, to be carried through a page."""
        return json.dumps([self.address, self.fields])


def typed_form() -> Typed | None:
    """Return the form that was just sent; None where the request is none, or says nothing."""
    if request.method != "POST":
        return None
    fields = [(name, value) for name, value in request.form.items(multi=True) if name != "csrf_token"]
    told = tuple(field for field in fields if field[0] not in SECRETS)
    return Typed(request.full_path.rstrip("?"), told, tuple(n for n, _ in fields if n in SECRETS))


def sent_from_here() -> bool:
    """Return whether, as the browser says, a page of this site sent the form: no other can feign that."""
    return request.headers.get("Sec-Fetch-Site") == "same-origin"


def carried_form(text: str) -> Typed | None:
    """Return a form that a page carried as `Typed.text`; None for anything else."""
    try:
        address, fields = json.loads(text)
        told = tuple((str(name), str(value)) for name, value in fields)
    except (ValueError, TypeError):
        return None
    return Typed(address, told) if local_path(address) == address else None


def typed_fields() -> list[tuple[str, str]]:
    """Return the fields of a posted form but for its guards, in order."""
    return [(name, value) for name, value in request.form.items(multi=True) if name not in GUARDS]


def entry_key() -> UUID:
    """Return the key of what a posted form enters.

    It follows from the form's own key and from what the form says, so that a form sent twice is one entry,
    while one that Back brought up again and that says something else is another. A form without a key, as a
    script may send it, is always another.

    Raises
    ------
    BadRequest
        For a key that is none.
    """
    given = request.form.get("key")
    if given is None:
        return uuid4()
    try:
        form_key = UUID(given)
    except ValueError as error:
        raise BadRequest from error
    return uuid5(form_key, urlencode([field for field in typed_fields() if field[0] not in SECRETS]))
