"""Counts of requests by address, shared by all workers; not worth a crash's survival."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_request_counts"
down_revision = "2026_11_25_one_time_keys"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "request_counts",
        sa.Column("key", sa.String(length=200), nullable=False),
        sa.Column("count", sa.Integer(), nullable=False),
        sa.Column("ends_at", sa.DateTime(timezone=True), nullable=False),
        sa.PrimaryKeyConstraint("key", name=op.f("pk_request_counts")),
        prefixes=["UNLOGGED"],
    )
    op.create_index("ix_request_counts_ends_at", "request_counts", ["ends_at"])


def downgrade() -> None:
    op.drop_index("ix_request_counts_ends_at", table_name="request_counts")
    op.drop_table("request_counts")
