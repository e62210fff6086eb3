"""The mean slopes of a read stand with its putt: lists need not work them out of the ground again."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_28_zzzzz_slopes"
down_revision = "2026_11_28_zzzz_reset"
branch_labels = None
depends_on = None

COLUMNS = ("tilt_right", "grade")


def upgrade() -> None:
    for name in COLUMNS:
        op.add_column("logged_putts", sa.Column(name, sa.Float))


def downgrade() -> None:
    for name in COLUMNS:
        op.drop_column("logged_putts", name)
