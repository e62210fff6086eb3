"""What a speed was found from is a document, as typed and in SI units; it was the query of an address."""

import json
import math
import re
from collections.abc import Mapping
from typing import Any
from urllib.parse import parse_qsl, urlencode

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB

revision = "2026_11_26_evidence"
down_revision = "2026_11_26_courses"
branch_labels = None
depends_on = None

LENGTH = 2000
PACE_M, SHOE_M = 0.9144, 0.3048
FEET = ("ft", "foot", "feet", "'", "′")
UNITS: Mapping[str, float] = {
    **dict.fromkeys(FEET, 0.3048),
    **dict.fromkeys(("in", "inch", "inches", '"', "″"), 0.0254),
    **dict.fromkeys(("yd", "yard", "yards"), 0.9144),
    **dict.fromkeys(("m", "metre", "metres", "meter", "meters"), 1.0),
    **{"cm": 0.01, "mm": 0.001, "%": 0.01, "percent": 0.01, "": 1.0},
    **dict.fromkeys(("deg", "°", "degree", "degrees", "s", "sec", "seconds"), 1.0),
}
USUAL_UNITS = {
    **dict.fromkeys(("out", "back", "rolls"), "far"),
    **dict.fromkeys(("gap", "strokes"), "near"),
    **dict.fromkeys(("level", "grade", "sim_slope"), "slope"),
    **dict.fromkeys(("posted", "sim_speed"), "green speed"),
    **dict.fromkeys(("angle", "groove", "times", "seed", "sim_grain"), ""),
}
"""What a bare number under each name is; a `length` is near on the ramp and far elsewhere."""
MARKS = str.maketrans({"“": '"', "”": '"', "’": "'", "‘": "'", "−": "-", ",": "."})
FRACTIONS = {"¼": ".25", "½": ".5", "¾": ".75"}
TERM = re.compile(r"([+-]?(?:\d+\.?\d*|\.\d+))\s*([a-z/%°'\"′″]*)", re.IGNORECASE)
GOLFERS = """SELECT n.id, n.method, n.evidence, coalesce(m.units = 'metres', false) AS metric,
  coalesce(m.slopes = 'degrees', false) AS degrees, coalesce(m.shoe_m, :shoe) AS shoe,
  coalesce(s.pace, :pace) AS pace
FROM speed_notes AS n LEFT JOIN own_measures AS m ON m.golfer_id = n.golfer_id
LEFT JOIN (SELECT golfer_id, avg(tape_m / paces) AS pace FROM stride_trials GROUP BY golfer_id) AS s
  ON s.golfer_id = n.golfer_id
WHERE n.evidence <> ''"""


def upgrade() -> None:
    found = op.get_bind().execute(sa.text(GOLFERS), {"shoe": SHOE_M, "pace": PACE_M}).all()
    _change_column(JSONB(), nullable=True)
    _write({row.id: json.dumps(_document(row)) for row in found}, "CAST(:evidence AS jsonb)")


def downgrade() -> None:
    query = "SELECT id, evidence FROM speed_notes WHERE evidence IS NOT NULL"
    found = op.get_bind().execute(sa.text(query)).all()
    _change_column(sa.String(LENGTH), nullable=False, server_default="")
    queries = {row.id: _query(row.evidence) for row in found}
    _write({number: text for number, text in queries.items() if len(text) <= LENGTH}, ":evidence")


def _change_column(kind: sa.types.TypeEngine[Any], **more: Any) -> None:
    op.drop_column("speed_notes", "evidence")
    op.add_column("speed_notes", sa.Column("evidence", kind, **more))


def _write(evidence: Mapping[int, str], value: str) -> None:
    update = sa.text(f"UPDATE speed_notes SET evidence = {value} WHERE id = :id")
    for number, text in evidence.items():
        op.get_bind().execute(update, {"id": number, "evidence": text})


def _document(row: sa.Row[Any]) -> dict[str, Any]:
    fields = parse_qsl(row.evidence)
    left_out = {value for name, value in fields if name == "left_out"}
    figures: dict[str, list[dict[str, Any]]] = {}
    choices = {}
    for name, typed in fields:
        if name == "length" or name in USUAL_UNITS:
            noted = figures.setdefault(name, [])
            out = {"left_out": True} if f"{name}-{len(noted) + 1}" in left_out else {}
            noted.append({"typed": typed, "figure": _figure(name, typed, row)} | out)
        elif name == "averaged":
            choices["level_with"] = "level_averaged"
        elif name not in ("left_out", "place", "course", "green", "next"):
            choices[name] = typed
    return {"figures": figures, "choices": choices}


def _figure(name: str, typed: str, row: sa.Row[Any]) -> float | None:
    """Return what was typed in SI units; None where it cannot be read."""
    kind = USUAL_UNITS.get(name) if name != "length" else "near" if row.method == "ramp" else "far"
    bare = {"far": ("ft", "m"), "near": ("in", "cm"), "green speed": ("ft", "ft")}.get(kind or "", ("", ""))
    unit = bare[row.metric] if kind != "slope" else ("%", "deg")[row.degrees]
    units = {
        **UNITS,
        **dict.fromkeys(("pace", "paces"), row.pace),
        **dict.fromkeys(("shoe", "shoes"), row.shoe),
    }
    plain = typed.translate(MARKS)
    for sign, digits in FRACTIONS.items():
        plain = re.sub(rf"(?<=\d)\s*{sign}", digits, plain).replace(sign, "0" + digits)
    total, last = 0.0, ""
    for number, given in TERM.findall(plain):
        last = given.lower() or ("in" if last in FEET else unit)
        if last not in units:
            return None
        total += abs(float(number)) * units[last]
    total = -total if plain.strip().startswith("-") else total
    if kind == "slope" and last not in ("%", "percent"):
        return math.tan(math.radians(total))
    return (total / 0.3048 if kind == "green speed" else total) if last or total else None


def _query(document: Mapping[str, Any]) -> str:
    rows = [
        (name, i, one) for name, noted in document["figures"].items() for i, one in enumerate(noted, start=1)
    ]
    left_out = [("left_out", f"{name}-{i}") for name, i, one in rows if one.get("left_out")]
    return urlencode(
        [*document["choices"].items(), *((name, one["typed"]) for name, _, one in rows), *left_out]
    )
