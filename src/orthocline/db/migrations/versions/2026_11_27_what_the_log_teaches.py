"""What is known of a golfer from their log, and the corrections that they have switched on."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_what_the_log_teaches"
down_revision = "2026_11_27_outings"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("logged_putts", sa.Column("corrected_by", sa.Float))
    op.create_check_constraint(op.f("ck_logged_putts_corrected_by"), "logged_putts", "corrected_by > 0")
    op.create_table(
        "golfer_habits",
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), primary_key=True
        ),
        sa.Column("worked_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("log_mark", sa.String(60), nullable=False),
        sa.Column("putts", sa.Integer, nullable=False),
        sa.Column("mean", sa.ARRAY(sa.Float), nullable=False),
        sa.Column("covariance", sa.ARRAY(sa.Float), nullable=False),
        sa.Column("found", sa.dialects.postgresql.JSONB, nullable=False),
        *(sa.Column(name, sa.Float) for name in ("start_line_rad", "energy", "read_share")),
        sa.CheckConstraint("putts >= 0", name=op.f("ck_golfer_habits_putts")),
    )
    op.create_table(
        "read_corrections",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("method", sa.String(40), nullable=False),
        sa.Column("breaks", sa.SmallInteger, nullable=False),
        sa.Column("least_m", sa.Float, nullable=False),
        sa.Column("factor", sa.Float, nullable=False),
        sa.Column("switched_on_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.CheckConstraint("breaks BETWEEN -1 AND 1", name=op.f("ck_read_corrections_breaks")),
        sa.CheckConstraint("least_m >= 0", name=op.f("ck_read_corrections_least_m")),
        sa.CheckConstraint("factor > 0", name=op.f("ck_read_corrections_factor")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_read_corrections_golfer_id_key")),
        sa.UniqueConstraint(
            "golfer_id", "method", "breaks", name=op.f("uq_read_corrections_golfer_id_method_breaks")
        ),
    )


def downgrade() -> None:
    op.drop_table("read_corrections")
    op.drop_table("golfer_habits")
    op.drop_column("logged_putts", "corrected_by")
