"""The golfer's stance, tempo and beat, and a usual roll-past uphill and downhill."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_26_own_figures"
down_revision = "2026_11_26_evidence"
branch_labels = None
depends_on = None

CHECKS = {
    "stance_m": "stance_m > 0",
    "back_s": "back_s > 0",
    "beat_s": "beat_s > 0",
    "usual_past_uphill_m": "usual_past_uphill_m >= 0",
    "usual_past_downhill_m": "usual_past_downhill_m >= 0",
}


def upgrade() -> None:
    for name, check in CHECKS.items():
        op.add_column("own_measures", sa.Column(name, sa.Float))
        op.create_check_constraint(op.f(f"ck_own_measures_{name}"), "own_measures", check)


def downgrade() -> None:
    for name in CHECKS:
        op.drop_column("own_measures", name)
