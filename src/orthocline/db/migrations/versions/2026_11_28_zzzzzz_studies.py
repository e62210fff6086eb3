"""Whole-green studies are kept with their green, and printed."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects.postgresql import JSONB, UUID

revision = "2026_11_28_zzzzzz_studies"
down_revision = "2026_11_28_zzzzz_slopes"
branch_labels = None
depends_on = None

KIND = "ck_prints_kind"


def upgrade() -> None:
    op.create_table(
        "green_studies",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", UUID, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("deleted_at", sa.DateTime(timezone=True)),
        sa.Column("green_id", sa.BigInteger, sa.ForeignKey("greens.id", ondelete="CASCADE"), nullable=False),
        sa.Column("mark", sa.String(36), nullable=False),
        sa.Column("speeds_ft", sa.ARRAY(sa.Float), nullable=False),
        sa.Column("level", sa.String(20), nullable=False),
        sa.Column("asked_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("job_id", sa.BigInteger, sa.ForeignKey("jobs.id", ondelete="SET NULL")),
        sa.Column("made_at", sa.DateTime(timezone=True)),
        sa.Column("found", JSONB),
        sa.CheckConstraint("(made_at IS NULL) = (found IS NULL)", name=op.f("ck_green_studies_made")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_green_studies_golfer_id_key")),
    )
    for column in ("green_id", "job_id"):
        op.create_index(op.f(f"ix_green_studies_{column}"), "green_studies", [column])
    op.drop_constraint(op.f(KIND), "prints")
    op.create_check_constraint(op.f(KIND), "prints", "kind IN ('cards', 'book', 'holes')")


def downgrade() -> None:
    op.execute("DELETE FROM prints WHERE kind = 'holes'")
    op.drop_constraint(op.f(KIND), "prints")
    op.create_check_constraint(op.f(KIND), "prints", "kind IN ('cards', 'book')")
    op.drop_table("green_studies")
