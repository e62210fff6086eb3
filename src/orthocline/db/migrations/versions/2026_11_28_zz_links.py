"""Links that golfers gave can be withdrawn all at once."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_28_zz_links"
down_revision = "2026_11_28_sharing"
branch_labels = None
depends_on = None


def upgrade() -> None:
    version: sa.Column[int] = sa.Column("links_version", sa.Integer, server_default="1", nullable=False)
    op.add_column("golfers", version)


def downgrade() -> None:
    op.drop_column("golfers", "links_version")
