"""The HTTP API, each thing that can be asked as one line of a shell."""

from collections.abc import Sequence
from typing import Final, NamedTuple

PUTT: Final = (
    '{"surface": {"kind": "plane", "tilt_percent": 2.0, "downhill_deg": 90.0}, "ball_m": [0.0, 0.0],'
    ' "hole_m": [4.0, 0.0], "green_speed_ft": 10.2, "pace": {"past_m": 0.3}}'
)
NOTED: Final = '{"course": "Ternholm Links", "green": "green 4", "length_m": 4.2, "holed": true}'


class Asked(NamedTuple):
    """One thing that can be asked: what for, by which scope, and the line that asks it."""

    title: str
    says: str
    scope: str
    line: str


def examples(base: str) -> Sequence[Asked]:
    """Return everything that can be asked of the API at an address, ``$TOKEN`` being a token."""
    ask = 'curl -s -H "Authorization: Bearer $TOKEN"'
    api = f"{base}/api/1"
    return (
        Asked(
            "Read a putt",
            "A putt document in, all that the model says of it out.",
            "reads",
            f"{ask} -H 'Content-Type: application/json' -d '{PUTT}' {api}/read",
        ),
        Asked(
            "Read many putts",
            "A putt document a line in, an aim a line out; what is at fault is answered with its error.",
            "reads",
            f"printf '%s\\n' '{PUTT}' '{PUTT}' | {ask} -H 'Content-Type: application/x-ndjson' --data-binary"
            f" @- {api}/reads",
        ),
        Asked(
            "List your greens",
            "Yours, and those of your clubs.",
            "greens",
            f"{ask} {api}/greens",
        ),
        Asked(
            "Take a green",
            "Its outline, readings, pins and grain; its number is in the list.",
            "greens",
            f"{ask} {api}/greens/$GREEN",
        ),
        Asked(
            "Go through your log",
            "Newest first, a page at a time: ask for the next one by ?before= and what older says.",
            "putts",
            f"{ask} {api}/putts",
        ),
        Asked(
            "Note a putt",
            "With an id of your own (a UUID) the same one sent again is the same putt.",
            "note",
            f"{ask} -H 'Content-Type: application/json' -d '{NOTED}' {api}/putts",
        ),
    )
