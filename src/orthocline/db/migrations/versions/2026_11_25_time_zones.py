"""By whose clock a golfer lives."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_time_zones"
down_revision = "2026_11_25_speed_methods"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("golfers", sa.Column("time_zone", sa.String(64), nullable=True))


def downgrade() -> None:
    op.drop_column("golfers", "time_zone")
