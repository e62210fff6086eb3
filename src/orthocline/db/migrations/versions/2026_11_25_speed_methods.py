"""The ways of measuring are the application's registry, not the table's."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_speed_methods"
down_revision = "2026_11_25_log_pages"
branch_labels = None
depends_on = None

OLD = "method IN ('ramp', 'posted', 'timed', 'stroke')"


def upgrade() -> None:
    op.drop_constraint(op.f("ck_speed_notes_method"), "speed_notes", type_="check")
    op.alter_column("speed_notes", "method", type_=sa.String(20))
    op.create_check_constraint(op.f("ck_speed_notes_method"), "speed_notes", "method <> ''")


def downgrade() -> None:
    op.drop_constraint(op.f("ck_speed_notes_method"), "speed_notes", type_="check")
    op.alter_column("speed_notes", "method", type_=sa.String(10), postgresql_using="left(method, 10)")
    # Speeds that were found in other ways since are kept: only new ones are looked at.
    op.create_check_constraint(op.f("ck_speed_notes_method"), "speed_notes", OLD, postgresql_not_valid=True)
