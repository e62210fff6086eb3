"""Rounds and practices in words."""


def outing_words(kind: str, course: str, *, competition: bool = False) -> str:
    """Return what it was and where: ``Round, Ternholm Links``; ``Round in Competition``."""
    return f"{kind.capitalize()}{' in Competition' if competition else ''}{f', {course}' if course else ''}"


def counts_words(putts: int, greens: int, three_putts: int, holes: int | None = None) -> str:
    """Return what its putts add up to: ``33 putts on 18 greens, 2 three-putts``."""
    if not putts:
        return "no putts yet"
    on = holes or greens
    words = f"{putts} {'putt' if putts == 1 else 'putts'} on {on} {'green' if on == 1 else 'greens'}"
    if three_putts:
        words += f", {three_putts} {'three-putt' if three_putts == 1 else 'three-putts'}"
    return words
