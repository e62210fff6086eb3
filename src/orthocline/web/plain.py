"""Pages for requests that are too odd for any other: they need no address, no session and no file."""

from markupsafe import escape


def plain_page(title: str, message: str) -> str:
    """Return a page without a link to anything."""
    return (
        f'<!doctype html>\n<html lang="en"><head><meta charset="utf-8">'
        f'<meta name="viewport" content="width=device-width, initial-scale=1">'
        f"<title>{escape(title)} · Orthocline</title></head>\n"
        f"<body><h1>{escape(title)}</h1><p>{escape(message)}</p></body></html>\n"
    )


TOO_LONG = plain_page(
    "That address is too long", "An address has at most 4,000 characters. Go back and say it shorter."
)
