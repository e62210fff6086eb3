"""Greens have a character and charts, of which one of the last edits is the one that holds."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_26_charts"
down_revision = "2026_11_26_slope_pairs"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("greens", sa.Column("character", sa.String(200), nullable=False, server_default=""))
    op.add_column("greens", sa.Column("chart_number", sa.Integer(), nullable=False, server_default="0"))
    op.create_table(
        "green_charts",
        sa.Column("green_id", sa.BigInteger(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("chart", postgresql.JSONB(), nullable=False),
        sa.Column("change", sa.String(80), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), server_default=sa.text("now()"), nullable=False),
        sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
        sa.Column("golfer_id", sa.BigInteger(), nullable=False),
        sa.Column("key", sa.Uuid(), server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.CheckConstraint("number > 0", name=op.f("ck_green_charts_number")),
        sa.ForeignKeyConstraint(
            ["golfer_id"], ["golfers.id"], name=op.f("fk_green_charts_golfer_id"), ondelete="CASCADE"
        ),
        sa.ForeignKeyConstraint(
            ["green_id"], ["greens.id"], name=op.f("fk_green_charts_green_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_green_charts")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_green_charts_golfer_id_key")),
        sa.UniqueConstraint("green_id", "number", name=op.f("uq_green_charts_green_id_number")),
    )


def downgrade() -> None:
    op.drop_table("green_charts")
    op.drop_column("greens", "chart_number")
    op.drop_column("greens", "character")
