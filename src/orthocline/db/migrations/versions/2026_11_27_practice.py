"""Practice sessions, and drills in a practice's log."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_practice"
down_revision = "2026_11_27_drills"
branch_labels = None
depends_on = None


def _outing() -> sa.Column[int]:
    outing = sa.ForeignKey("outings.id", ondelete="SET NULL")
    return sa.Column("outing_id", sa.BigInteger, outing)


def upgrade() -> None:
    op.add_column("drill_runs", _outing())
    op.create_index(op.f("ix_drill_runs_outing_id"), "drill_runs", ["outing_id"])
    op.create_table(
        "practice_plans",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("minutes", sa.Float, nullable=False),
        sa.Column("slots", sa.dialects.postgresql.JSONB, nullable=False),
        sa.Column("done", sa.SmallInteger, server_default="0", nullable=False),
        _outing(),
        sa.Column("begun_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("running_since", sa.DateTime(timezone=True)),
        sa.Column("spent_s", sa.Float, server_default="0", nullable=False),
        sa.Column("ended_at", sa.DateTime(timezone=True)),
        sa.CheckConstraint("minutes > 0", name=op.f("ck_practice_plans_minutes")),
        sa.CheckConstraint("done >= 0", name=op.f("ck_practice_plans_done")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_practice_plans_golfer_id_key")),
    )
    op.create_index(op.f("ix_practice_plans_outing_id"), "practice_plans", ["outing_id"])
    op.create_index(
        "uq_practice_plans_open",
        "practice_plans",
        ["golfer_id"],
        unique=True,
        postgresql_where=sa.text("ended_at IS NULL"),
    )


def downgrade() -> None:
    op.drop_table("practice_plans")
    op.drop_index(op.f("ix_drill_runs_outing_id"), "drill_runs")
    op.drop_column("drill_runs", "outing_id")
