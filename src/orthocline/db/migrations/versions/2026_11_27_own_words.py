"""A putt's own read in any school's words, and the first impression."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_own_words"
down_revision = "2026_11_27_schools_measures"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("logged_putts", sa.Column("own_school", sa.String(40)))
    op.add_column("logged_putts", sa.Column("own_figures", sa.ARRAY(sa.Float)))
    op.add_column("logged_putts", sa.Column("impression_right_m", sa.Float))
    op.create_check_constraint(
        op.f("ck_logged_putts_own_read"), "logged_putts", "(own_school IS NULL) = (own_figures IS NULL)"
    )


def downgrade() -> None:
    for name in ("own_school", "own_figures", "impression_right_m"):
        op.drop_column("logged_putts", name)
