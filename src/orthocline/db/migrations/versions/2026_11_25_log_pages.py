"""An index that holds all by which the log is paged and filtered."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_log_pages"
down_revision = "2026_11_25_sessions_demo_copies"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.drop_index("ix_logged_putts_golfer_id_created_at", table_name="logged_putts")
    op.create_index(
        "ix_logged_putts_newest",
        "logged_putts",
        ["golfer_id", sa.text("created_at DESC"), sa.text("id DESC")],
        postgresql_include=["place", "holed"],
        postgresql_where=sa.text("deleted_at IS NULL"),
    )


def downgrade() -> None:
    op.drop_index("ix_logged_putts_newest", table_name="logged_putts")
    op.create_index("ix_logged_putts_golfer_id_created_at", "logged_putts", ["golfer_id", "created_at"])
