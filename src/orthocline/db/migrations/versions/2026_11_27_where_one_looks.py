"""From where a golfer looks at a putt, and how the putter hangs that serves as a plumb line."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_where_one_looks"
down_revision = "2026_11_27_own_words"
branch_labels = None
depends_on = None

POSITIVE = ("crouch_height_m", "stand_m", "shaft_m")
SIGNED = ("shaft_left_m", "shaft_right_m")


def upgrade() -> None:
    for name in (*POSITIVE, *SIGNED):
        op.add_column("own_measures", sa.Column(name, sa.Float))
    for name in POSITIVE:
        op.create_check_constraint(op.f(f"ck_own_measures_{name}"), "own_measures", f"{name} > 0")


def downgrade() -> None:
    for name in (*POSITIVE, *SIGNED):
        op.drop_column("own_measures", name)
