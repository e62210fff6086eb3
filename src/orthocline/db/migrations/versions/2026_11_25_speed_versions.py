"""By which version of the model a speed was worked out."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_speed_versions"
down_revision = "2026_11_25_time_zones"
branch_labels = None
depends_on = None


def upgrade() -> None:
    version = sa.Column("model_version", sa.String(10), nullable=False, server_default="1")
    op.add_column("speed_notes", version)


def downgrade() -> None:
    op.drop_column("speed_notes", "model_version")
