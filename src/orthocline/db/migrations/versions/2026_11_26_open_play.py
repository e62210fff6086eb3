"""The mode that is not Competition is open play: practice is a room's work."""

from alembic import op

revision = "2026_11_26_open_play"
down_revision = "2026_11_25_speed_versions"
branch_labels = None
depends_on = None


def upgrade() -> None:
    _rename("practice", "open_play")


def downgrade() -> None:
    _rename("open_play", "practice")


def _rename(old: str, new: str) -> None:
    constraint = op.f("ck_golfers_mode")
    op.drop_constraint(constraint, "golfers", type_="check")
    op.execute(f"UPDATE golfers SET mode = '{new}' WHERE mode = '{old}'")
    op.create_check_constraint(constraint, "golfers", f"mode IN ('{new}', 'competition')")
    op.alter_column("golfers", "mode", server_default=new)
