"""Figures of drills that measure a habit."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_drill_figures"
down_revision = "2026_11_27_practice"
branch_labels = None
depends_on = None


def upgrade() -> None:
    figures: sa.Column[list[float]] = sa.Column(
        "figures", sa.ARRAY(sa.Float), server_default="{}", nullable=False
    )
    op.add_column("drill_runs", figures)


def downgrade() -> None:
    op.drop_column("drill_runs", "figures")
