"""What kind of golfer one is, their own spreads of a putt, and whether reads take the advised pace."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_golfers_spreads"
down_revision = "2026_11_26_green_files"
branch_labels = None
depends_on = None

CHOSEN = {
    "golfer_level": ("middle", "golfer_level IN ('tournament', 'low', 'middle', 'new')"),
    "pace": ("usual", "pace IN ('usual', 'advised')"),
}
SPREADS = ("start_line_rad", "energy", "read_share")


def upgrade() -> None:
    for name, (usual, check) in CHOSEN.items():
        column = sa.Column(name, sa.String(10), server_default=usual, nullable=False)
        op.add_column("own_measures", column)
        op.create_check_constraint(op.f(f"ck_own_measures_{name}"), "own_measures", check)
    for name in SPREADS:
        op.add_column("own_measures", sa.Column(name, sa.Float))
        op.create_check_constraint(op.f(f"ck_own_measures_{name}"), "own_measures", f"{name} >= 0")


def downgrade() -> None:
    for name in (*CHOSEN, *SPREADS):
        op.drop_column("own_measures", name)
