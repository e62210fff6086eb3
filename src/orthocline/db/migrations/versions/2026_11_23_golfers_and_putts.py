"""Golfers and logged putts."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_23_golfers_and_putts"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "golfers",
        sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
        sa.Column("name", sa.String(length=60), nullable=False),
        sa.Column("password_hash", sa.String(length=200), nullable=False),
        sa.Column("mode", sa.String(length=20), server_default="practice", nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), server_default=sa.text("now()"), nullable=False),
        sa.CheckConstraint("mode IN ('practice', 'competition')", name=op.f("ck_golfers_mode")),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_golfers")),
    )
    op.create_index("uq_golfers_name", "golfers", [sa.literal_column("lower(name)")], unique=True)
    op.create_table(
        "logged_putts",
        sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
        sa.Column("golfer_id", sa.BigInteger(), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), server_default=sa.text("now()"), nullable=False),
        sa.Column("place", sa.String(length=80), server_default="", nullable=False),
        sa.Column("length_m", sa.Double(), nullable=False),
        sa.Column("green_speed_ft", sa.Double(), nullable=True),
        sa.Column("putt_document", postgresql.JSONB(none_as_null=True), nullable=True),
        sa.Column("read_document", postgresql.JSONB(none_as_null=True), nullable=True),
        sa.Column("model_version", sa.String(length=20), nullable=True),
        sa.Column("own_aim_right_m", sa.Double(), nullable=True),
        sa.Column("note", sa.String(length=500), server_default="", nullable=False),
        sa.Column("holed", sa.Boolean(), nullable=True),
        sa.Column("finish_along_m", sa.Double(), nullable=True),
        sa.Column("finish_across_m", sa.Double(), nullable=True),
        sa.Column("deleted_at", sa.DateTime(timezone=True), nullable=True),
        sa.CheckConstraint(
            "(finish_along_m IS NULL) = (finish_across_m IS NULL)", name=op.f("ck_logged_putts_finish")
        ),
        sa.CheckConstraint(
            "(holed IS NOT DISTINCT FROM false) = (finish_along_m IS NOT NULL)",
            name=op.f("ck_logged_putts_holed"),
        ),
        sa.CheckConstraint(
            "(putt_document IS NULL) = (model_version IS NULL)", name=op.f("ck_logged_putts_model_version")
        ),
        sa.CheckConstraint(
            "(putt_document IS NULL) = (read_document IS NULL)", name=op.f("ck_logged_putts_documents")
        ),
        sa.CheckConstraint("length_m > 0 AND length_m <= 100", name=op.f("ck_logged_putts_length_m")),
        sa.ForeignKeyConstraint(
            ["golfer_id"], ["golfers.id"], name=op.f("fk_logged_putts_golfer_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_logged_putts")),
    )
    op.create_index(
        "ix_logged_putts_golfer_id_created_at", "logged_putts", ["golfer_id", "created_at"], unique=False
    )


def downgrade() -> None:
    op.drop_index("ix_logged_putts_golfer_id_created_at", table_name="logged_putts")
    op.drop_table("logged_putts")
    op.drop_index("uq_golfers_name", table_name="golfers")
    op.drop_table("golfers")
