"""What the schools' calls need to know of a golfer, and which of them lead."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_schools_measures"
down_revision = "2026_11_27_golfers_spreads"
branch_labels = None
depends_on = None

CHOSEN = {
    "sight": ("either", "sight IN ('lines', 'curves', 'either')"),
    "start_aid": ("spot", "start_aid IN ('spot', 'line', 'neither')"),
}
FIGURES = {
    **{name: f"{name} > 0" for name in ("finger_4_m", "finger_5_m", "arm_bent_speed_ft", "eye_height_m")},
    "lean": "lean >= 0",
}


def upgrade() -> None:
    for name, (usual, check) in CHOSEN.items():
        column = sa.Column(name, sa.String(10), server_default=usual, nullable=False)
        op.add_column("own_measures", column)
        op.create_check_constraint(op.f(f"ck_own_measures_{name}"), "own_measures", check)
    for name, check in FIGURES.items():
        op.add_column("own_measures", sa.Column(name, sa.Float))
        op.create_check_constraint(op.f(f"ck_own_measures_{name}"), "own_measures", check)
    op.add_column("own_measures", sa.Column("calls", sa.ARRAY(sa.String(40))))


def downgrade() -> None:
    for name in (*CHOSEN, *FIGURES, "calls"):
        op.drop_column("own_measures", name)
