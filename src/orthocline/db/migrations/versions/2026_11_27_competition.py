"""Competition has an end; a round says whether it was begun in it."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_competition"
down_revision = "2026_11_27_prints"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("golfers", sa.Column("competition_until", sa.DateTime(timezone=True)))
    # Who is in it now stays in it for a day at most.
    op.execute("UPDATE golfers SET competition_until = now() + interval '1 day' WHERE mode = 'competition'")
    op.drop_constraint(op.f("ck_golfers_mode"), "golfers", type_="check")
    op.drop_column("golfers", "mode")
    begun_in: sa.Column[bool] = sa.Column("competition", sa.Boolean, server_default="false", nullable=False)
    op.add_column("outings", begun_in)


def downgrade() -> None:
    op.drop_column("outings", "competition")
    mode: sa.Column[str] = sa.Column("mode", sa.String(20), server_default="open_play", nullable=False)
    op.add_column("golfers", mode)
    op.create_check_constraint(op.f("ck_golfers_mode"), "golfers", "mode IN ('open_play', 'competition')")
    op.execute("UPDATE golfers SET mode = 'competition' WHERE competition_until > now()")
    op.drop_column("golfers", "competition_until")
