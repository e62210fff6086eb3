"""Runs of drills."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_drills"
down_revision = "2026_11_27_training"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "drill_runs",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("drill", sa.String(40), nullable=False),
        sa.Column("own", sa.dialects.postgresql.JSONB, nullable=False),
        sa.Column("seed", sa.Integer, nullable=False),
        sa.Column("balls", sa.SmallInteger, nullable=False),
        sa.Column("begun_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("ended_at", sa.DateTime(timezone=True)),
        sa.Column("noted", sa.ARRAY(sa.String(40)), nullable=False),
        sa.Column("points", sa.Float, nullable=False),
        sa.Column("best", sa.Float, nullable=False),
        sa.CheckConstraint("points >= 0 AND points <= best", name=op.f("ck_drill_runs_points")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_drill_runs_golfer_id_key")),
    )
    op.create_index(
        "uq_drill_runs_open",
        "drill_runs",
        ["golfer_id"],
        unique=True,
        postgresql_where=sa.text("ended_at IS NULL"),
    )
    op.create_index(
        "ix_drill_runs_golfer_id_drill", "drill_runs", ["golfer_id", "drill", sa.text("begun_at DESC")]
    )


def downgrade() -> None:
    op.drop_table("drill_runs")
