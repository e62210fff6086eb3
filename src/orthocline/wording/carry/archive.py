"""What an archive brought, in words."""


def brought_words(golfer: str, new: int, there: int) -> str:
    """Return what came of an archive: whose it was, how many things are new, and how many were there."""
    if not new:
        return f"All {there:,} things of {golfer}'s archive are here already: nothing has changed."
    words = f"{golfer}'s archive is brought in: {new:,} {'thing' if new == 1 else 'things'}"
    return f"{words}; {there:,} more were here already." if there else f"{words}."
