"""Slopes felt or seen, each with what a level then read in the same place."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_26_slope_pairs"
down_revision = "2026_11_26_jobs"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "slope_pairs",
        sa.Column("sense", sa.String(10), nullable=False),
        sa.Column("guess", sa.Double(), nullable=False),
        sa.Column("level", sa.Double(), nullable=False),
        sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
        sa.Column("golfer_id", sa.BigInteger(), nullable=False),
        sa.Column("key", sa.Uuid(), server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.CheckConstraint("sense IN ('feet', 'eye')", name=op.f("ck_slope_pairs_sense")),
        sa.ForeignKeyConstraint(
            ["golfer_id"],
            ["own_measures.golfer_id"],
            name=op.f("fk_slope_pairs_golfer_id"),
            ondelete="CASCADE",
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_slope_pairs")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_slope_pairs_golfer_id_key")),
    )


def downgrade() -> None:
    op.drop_table("slope_pairs")
