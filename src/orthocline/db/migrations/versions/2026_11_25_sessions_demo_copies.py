"""A version that ends sessions, a key for accounts, and the demo golfer as a template with copies."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_sessions_demo_copies"
down_revision = "2026_11_25_request_counts"
branch_labels = None
depends_on = None

REAL = sa.text("demo IS NULL")
FOLDED = [sa.text("folded(name)")]


def upgrade() -> None:
    op.add_column("golfers", sa.Column("session_version", sa.Integer(), server_default="1", nullable=False))
    op.add_column("golfers", sa.Column("demo", sa.String(length=10), nullable=True))
    op.add_column("golfers", sa.Column("key", sa.Uuid(), nullable=True))
    op.create_check_constraint(op.f("ck_golfers_demo"), "golfers", "demo IN ('template', 'copy')")
    op.create_unique_constraint(op.f("uq_golfers_key"), "golfers", ["key"])
    # The demo's golfer was one for all visitors: now a copy like any other, swept away after a day.
    op.execute("UPDATE golfers SET demo = 'copy', created_at = now() WHERE name = 'Wren Halloran'")
    op.drop_index("uq_golfers_name", table_name="golfers")
    op.create_index("uq_golfers_name", "golfers", FOLDED, unique=True, postgresql_where=REAL)


def downgrade() -> None:
    op.drop_index("uq_golfers_name", table_name="golfers")
    op.execute("DELETE FROM golfers WHERE demo IS NOT NULL")
    op.create_index("uq_golfers_name", "golfers", FOLDED, unique=True)
    for name in ("ck_golfers_demo", "uq_golfers_key"):
        op.drop_constraint(op.f(name), "golfers")
    for name in ("key", "demo", "session_version"):
        op.drop_column("golfers", name)
