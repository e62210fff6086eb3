"""Rounds and practices, which putt of which hole a putt is, what was seen of it and said of it after."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_outings"
down_revision = "2026_11_27_where_one_looks"
branch_labels = None
depends_on = None

SMALL = ("hole", "breaks_right", "started_right", "passed_right")
FLOATS = ("read_aim_right_m", "past_m", "start_right_rad")
FLAGS = (
    *("gate_touched", "struck_centre"),
    *("read_was_right", "line_was_right", "pace_was_right", "committed"),
)
REALS = (
    *("length_m", "finish_along_m", "finish_across_m", "past_m"),
    *("own_aim_right_m", "impression_right_m", "read_aim_right_m", "start_right_rad"),
    *("number", "breaks_right", "passed_right", "started_right"),
)
PACKED_FLAGS = ("holed", "read_was_right", "line_was_right", "pace_was_right", "committed")
PACKED = " || ".join(
    (
        *(f"float4send(coalesce({name}::real, 'NaN'))" for name in REALS),
        *(f"float4send(coalesce({name}::integer::real, 'NaN'))" for name in PACKED_FLAGS),
        "timestamptz_send(created_at)",
        "int8send(coalesce(outing_id, 0))",
        "uuid_send(visit)",
    )
)
INCLUDED = ("course_id", "green_id", "holed")
ALSO = ("outing_id", "length_m", "number", "visit", "method", "breaks_right", "packed")
CHECKS = {
    "hole": "hole BETWEEN 1 AND 18",
    "number": "number BETWEEN 1 AND 9",
    **{name: f"{name} BETWEEN -1 AND 1" for name in ("started_right", "passed_right", "breaks_right")},
}
REPLACED = {
    "documents": (
        "(putt_document IS NULL) = (read_document IS NULL)",
        "read_document IS NULL OR putt_document IS NOT NULL",
    ),
    "model_version": (
        "(putt_document IS NULL) = (model_version IS NULL)",
        "(read_document IS NULL) = (model_version IS NULL)",
    ),
    "holed": (
        "(holed IS NOT DISTINCT FROM false) = (finish_along_m IS NOT NULL)",
        "finish_along_m IS NULL OR holed IS NOT DISTINCT FROM false",
    ),
}
FILLED = """
UPDATE logged_putts SET
  read_aim_right_m = (read_document->>'aim_right_m')::float8,
  past_m = (putt_document->'pace'->>'past_m')::float8,
  breaks_right = CASE
    WHEN abs(length_m * sin(radians((read_document->>'launch_angle_right_deg')::float8))) < 0.054 THEN 0
    ELSE -sign((read_document->>'launch_angle_right_deg')::float8) END,
  method = coalesce(own_school, 'model')
WHERE read_document IS NOT NULL
"""
UNFIT = """
DELETE FROM logged_putts WHERE length_m IS NULL
  OR (putt_document IS NULL) <> (read_document IS NULL)
  OR (holed IS NOT DISTINCT FROM false) <> (finish_along_m IS NOT NULL)
"""


def upgrade() -> None:
    op.create_table(
        "outings",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("deleted_at", sa.DateTime(timezone=True)),
        sa.Column("kind", sa.String(10), nullable=False),
        sa.Column("course_id", sa.BigInteger, sa.ForeignKey("courses.id"), index=True),
        sa.Column("begun_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("ended_at", sa.DateTime(timezone=True)),
        sa.Column("holes", sa.SmallInteger),
        sa.Column("note", sa.String(500), server_default="", nullable=False),
        sa.CheckConstraint("kind IN ('round', 'practice')", name=op.f("ck_outings_kind")),
        sa.CheckConstraint("holes BETWEEN 1 AND 18", name=op.f("ck_outings_holes")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_outings_golfer_id_key")),
    )
    op.create_index("ix_outings_golfer_id_begun_at", "outings", ["golfer_id", sa.text("begun_at DESC")])
    for column in _columns():
        op.add_column("logged_putts", column)
    op.create_index(op.f("ix_logged_putts_outing_id"), "logged_putts", ["outing_id"])
    op.alter_column("logged_putts", "length_m", nullable=True)
    for name, (_, new) in REPLACED.items():
        _replace(name, new)
    for name, check in CHECKS.items():
        op.create_check_constraint(op.f(f"ck_logged_putts_{name}"), "logged_putts", check)
    op.execute(FILLED)
    op.add_column("logged_putts", sa.Column("packed", sa.LargeBinary, sa.Computed(PACKED, persisted=True)))
    op.alter_column("logged_putts", "packed", nullable=False)
    _index(*INCLUDED, *ALSO)


def downgrade() -> None:
    op.execute(UNFIT)
    _index(*INCLUDED)
    op.drop_column("logged_putts", "packed")
    for name, (old, _) in REPLACED.items():
        _replace(name, old)
    op.alter_column("logged_putts", "length_m", nullable=False)
    for column in _columns():
        op.drop_column("logged_putts", column.name)
    op.drop_table("outings")


def _columns() -> list[sa.Column[object]]:
    outing = sa.ForeignKey("outings.id", ondelete="CASCADE")
    return [
        sa.Column("outing_id", sa.BigInteger, outing),
        sa.Column("number", sa.SmallInteger, server_default="1", nullable=False),
        sa.Column("visit", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("method", sa.String(40)),
        sa.Column("by_device", sa.Boolean, server_default=sa.text("false"), nullable=False),
        *(sa.Column(name, sa.SmallInteger) for name in SMALL),
        *(sa.Column(name, sa.Float) for name in FLOATS),
        *(sa.Column(name, sa.Boolean) for name in FLAGS),
    ]


def _index(*included: str) -> None:
    op.drop_index("ix_logged_putts_newest", table_name="logged_putts")
    op.create_index(
        "ix_logged_putts_newest",
        "logged_putts",
        ["golfer_id", sa.text("created_at DESC"), sa.text("id DESC")],
        postgresql_include=list(included),
        postgresql_where=sa.text("deleted_at IS NULL"),
    )


def _replace(name: str, check: str) -> None:
    op.drop_constraint(op.f(f"ck_logged_putts_{name}"), "logged_putts")
    op.create_check_constraint(op.f(f"ck_logged_putts_{name}"), "logged_putts", check)
