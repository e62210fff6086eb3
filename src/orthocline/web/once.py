"""Nothing doubled: each form carries a one-time key, and what it enters is entered once under that key."""

from urllib.parse import urlencode
from uuid import UUID, uuid4, uuid5

from flask import request
from flask_wtf.csrf import generate_csrf
from markupsafe import Markup
from werkzeug.exceptions import BadRequest

GUARDS = ("csrf_token", "key")
"""Fields that guard a form and say nothing."""
SECRETS = ("password", "new_password")


def form_guard() -> Markup:
    """Return the hidden fields of every form that writes: against forgery, and against entering twice."""
    field = Markup('<input type="hidden" name="{}" value="{}">').format
    return field("csrf_token", generate_csrf()) + field("key", uuid4())


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
