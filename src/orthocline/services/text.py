"""Words as golfers type them."""


def tidy_text(value: str) -> str:
    """Return typed words on one line: single spaces, and nothing that the database cannot keep."""
    return " ".join(value.replace("\0", "").split())
