"""A forgotten password is replaced by a code that was shown once; kept of it is a digest."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_28_zzzz_reset"
down_revision = "2026_11_28_zzz_tokens"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("golfers", sa.Column("reset_digest", sa.LargeBinary))


def downgrade() -> None:
    op.drop_column("golfers", "reset_digest")
