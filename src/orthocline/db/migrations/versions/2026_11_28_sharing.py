"""Golfers share with coaches and clubs; coaches leave notes and sessions."""

from datetime import datetime

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_28_sharing"
down_revision = "2026_11_28_arrivals"
branch_labels = None
depends_on = None

SOME_OF_WHAT = (
    "cardinality(what) > 0 AND what <@ ARRAY['log', 'figures', 'drills', 'greens', 'speeds']::varchar[]"
)


def _number() -> sa.Column[int]:
    return sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True)


def _golfer(name: str, *, nullable: bool = False) -> sa.Column[int]:
    return sa.Column(name, sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=nullable)


def _time(name: str) -> sa.Column[datetime]:
    return sa.Column(name, sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False)


def _flag(name: str) -> sa.Column[bool]:
    return sa.Column(name, sa.Boolean, server_default="false", nullable=False)


def _what() -> sa.Column[sa.ARRAY[str]]:
    return sa.Column("what", sa.ARRAY(sa.String(10)), nullable=False)


def _left(table: str, *more: sa.schema.SchemaItem) -> None:
    """Make a table of what coaches leave."""
    op.create_table(
        table,
        _number(),
        _golfer("golfer_id"),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        _golfer("coach_id", nullable=True),
        sa.Column("coach_name", sa.String(60), nullable=False),
        sa.Column("words", sa.String(500), nullable=False),
        _time("left_at"),
        *more,
        sa.UniqueConstraint("golfer_id", "key", name=op.f(f"uq_{table}_golfer_id_key")),
    )
    op.create_index(op.f(f"ix_{table}_coach_id"), table, ["coach_id"])


def upgrade() -> None:
    op.add_column("golfers", _flag("club"))
    op.drop_index("uq_golfers_name", "golfers")
    op.create_index(
        *("uq_golfers_name", "golfers", [sa.text("folded(name)")]),
        unique=True,
        postgresql_where=sa.text("demo IS NULL AND NOT club"),
    )
    op.create_table(
        "sharings",
        _number(),
        _golfer("giver_id"),
        _golfer("taker_id"),
        _what(),
        _flag("keeper"),
        _time("begun_at"),
        sa.CheckConstraint("giver_id <> taker_id", name=op.f("ck_sharings_two")),
        sa.CheckConstraint(SOME_OF_WHAT, name=op.f("ck_sharings_what")),
        sa.UniqueConstraint("giver_id", "taker_id", name=op.f("uq_sharings_giver_id_taker_id")),
    )
    op.create_index(op.f("ix_sharings_taker_id"), "sharings", ["taker_id"])
    op.create_table(
        "invitations",
        _number(),
        _golfer("giver_id"),
        sa.Column("digest", sa.LargeBinary, nullable=False),
        _what(),
        _flag("keeper"),
        _flag("many"),
        sa.Column("ends_at", sa.DateTime(timezone=True), nullable=False),
        sa.CheckConstraint(SOME_OF_WHAT, name=op.f("ck_invitations_what")),
        sa.UniqueConstraint("digest", name=op.f("uq_invitations_digest")),
    )
    op.create_index(op.f("ix_invitations_giver_id"), "invitations", ["giver_id"])
    putt = sa.ForeignKey("logged_putts.id", ondelete="CASCADE")
    _left(
        "coach_notes",
        sa.Column("putt_id", sa.BigInteger, putt, nullable=False),
        sa.CheckConstraint("words <> ''", name=op.f("ck_coach_notes_words")),
    )
    op.create_index(op.f("ix_coach_notes_putt_id"), "coach_notes", ["putt_id"])
    plan = sa.ForeignKey("practice_plans.id", ondelete="SET NULL")
    _left(
        "coach_sessions",
        sa.Column("slots", postgresql.JSONB, nullable=False),
        sa.Column("plan_id", sa.BigInteger, plan),
    )
    op.create_index(op.f("ix_coach_sessions_plan_id"), "coach_sessions", ["plan_id"])
    op.create_index("ix_coach_sessions_golfer_id_left_at", "coach_sessions", ["golfer_id", "left_at"])


def downgrade() -> None:
    for table in ("coach_sessions", "coach_notes", "invitations", "sharings"):
        op.drop_table(table)
    op.execute("DELETE FROM golfers WHERE club")
    op.drop_index("uq_golfers_name", "golfers")
    op.create_index(
        *("uq_golfers_name", "golfers", [sa.text("folded(name)")]),
        unique=True,
        postgresql_where=sa.text("demo IS NULL"),
    )
    op.drop_column("golfers", "club")
