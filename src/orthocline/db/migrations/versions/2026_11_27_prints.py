"""Cards and books that are carried, and a golfer's own words on a green."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_prints"
down_revision = "2026_11_27_drill_figures"
branch_labels = None
depends_on = None


def upgrade() -> None:
    note: sa.Column[str] = sa.Column("note", sa.String(240), server_default="", nullable=False)
    op.add_column("greens", note)
    op.create_table(
        "prints",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("deleted_at", sa.DateTime(timezone=True)),
        sa.Column("kind", sa.String(10), nullable=False),
        sa.Column("title", sa.String(120), nullable=False),
        sa.Column("digest", sa.String(64), nullable=False),
        sa.Column("asked", sa.dialects.postgresql.JSONB, nullable=False),
        sa.Column("asked_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("job_id", sa.BigInteger, sa.ForeignKey("jobs.id", ondelete="SET NULL")),
        sa.Column("made_at", sa.DateTime(timezone=True)),
        sa.Column("pages", sa.dialects.postgresql.JSONB, server_default="[]", nullable=False),
        sa.Column("pictures", sa.ARRAY(sa.LargeBinary), server_default="{}", nullable=False),
        sa.Column("document", sa.LargeBinary),
        sa.CheckConstraint("kind IN ('cards', 'book')", name=op.f("ck_prints_kind")),
        sa.CheckConstraint("(made_at IS NULL) = (document IS NULL)", name=op.f("ck_prints_made")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_prints_golfer_id_key")),
    )
    op.create_index(op.f("ix_prints_job_id"), "prints", ["job_id"])
    op.create_index("ix_prints_golfer_id_digest", "prints", ["golfer_id", "digest"])


def downgrade() -> None:
    op.drop_table("prints")
    op.drop_column("greens", "note")
