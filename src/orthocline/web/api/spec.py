"""The OpenAPI document, made by spectree out of the routes and the pydantic models."""

from collections.abc import Callable
from functools import wraps
from typing import Any, Final, TypeVar, cast

from flask import Flask
from spectree import Response, SecurityScheme, SpecTree
from spectree.models import SecureType, SecuritySchemeData

from orthocline.formats.api_documents import ErrorDocument

View = TypeVar("View", bound=Callable[..., Any])
TOKEN: Final = "token"
# Its models are read, and what is asked is checked by the formats themselves: they say where a fault is.
spec = SpecTree(
    "flask",
    mode="strict",
    title="Orthocline",
    version="1",
    description="Read putts, and reach your own greens and log, from your own programs.",
    annotations=False,
    naming_strategy=lambda model: model.__name__,
    nested_naming_strategy=lambda _whole, part: part.strip("_"),
    security_schemes=[
        SecurityScheme(name=TOKEN, data=SecuritySchemeData(type=SecureType.HTTP, scheme="bearer"))
    ],
)
LINES: Final = "application/x-ndjson"
SENT: Final = (LINES, "text/plain")
"""As what lines are taken."""
REFUSALS: Final = {
    "HTTP_400": "what was sent has not the form",
    "HTTP_401": "no token that holds",
    "HTTP_403": "the token is not for this, or it is Competition",
    "HTTP_404": "there is no such thing",
    "HTTP_413": "too much at once",
    "HTTP_414": "an address that is too long",
    "HTTP_415": "of another type",
    "HTTP_422": "it has the form, and asks what cannot be",
    "HTTP_429": "too much in a minute",
    "HTTP_503": "the database is away",
}


def described(*, query: Any = None, body: Any = None, **found: Any) -> Callable[[View], View]:
    """Describe a route: its query, what is sent, and what is answered by status, each a model with words.

    The route is asked past spectree's own wrapper, which would hold a whole answer that is streamed.
    """
    refused = {name: (ErrorDocument, words) for name, words in REFUSALS.items()}
    describe = spec.validate(
        query=query, json=body, resp=Response(**{**refused, **found}), security={TOKEN: []}
    )

    def known(view: View) -> View:
        @wraps(describe(view))
        def asked(*args: Any, **more: Any) -> Any:
            return view(*args, **more)

        return cast(View, asked)

    return known


def document(app: Flask) -> dict[str, Any]:
    """Return the OpenAPI document; of lines spectree knows no type, they are written in here."""
    with app.app_context():
        if not hasattr(spec, "app"):
            spec.app = app
        made: dict[str, Any] = spec.spec
    lines = made["paths"]["/api/1/reads"]["post"]
    text = {"schema": {"type": "string", "description": "one putt document a line"}}
    lines["requestBody"] = {"required": True, "content": dict.fromkeys(SENT, text)}
    lines["responses"]["200"]["content"] = {LINES: {"schema": {"type": "string"}}}
    return made
