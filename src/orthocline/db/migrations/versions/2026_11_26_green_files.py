"""Greens have scans, and jobs the files that they work on; what a job makes is bytes."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_26_green_files"
down_revision = "2026_11_26_charts"
branch_labels = None
depends_on = None


def _entry(table: str) -> list[sa.schema.SchemaItem]:
    return [
        sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
        sa.Column("golfer_id", sa.BigInteger(), nullable=False),
        sa.Column("key", sa.Uuid(), server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.ForeignKeyConstraint(
            ["golfer_id"], ["golfers.id"], name=op.f(f"fk_{table}_golfer_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{table}")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f(f"uq_{table}_golfer_id_key")),
    ]


def upgrade() -> None:
    op.create_table(
        "green_scans",
        sa.Column("green_id", sa.BigInteger(), nullable=False),
        sa.Column("scan", postgresql.JSONB(), nullable=False),
        *_entry("green_scans"),
        sa.ForeignKeyConstraint(
            ["green_id"], ["greens.id"], name=op.f("fk_green_scans_green_id"), ondelete="CASCADE"
        ),
    )
    op.create_index(op.f("ix_green_scans_green_id"), "green_scans", ["green_id"])
    op.add_column("green_charts", sa.Column("scan_id", sa.BigInteger()))
    op.create_foreign_key(op.f("fk_green_charts_scan_id"), "green_charts", "green_scans", ["scan_id"], ["id"])
    op.create_table(
        "given_files",
        sa.Column("name", sa.String(120), nullable=False),
        sa.Column("size", sa.BigInteger(), nullable=False),
        sa.Column("given_at", sa.DateTime(timezone=True), server_default=sa.text("now()"), nullable=False),
        *_entry("given_files"),
    )
    op.create_table(
        "given_file_pieces",
        sa.Column("file_id", sa.BigInteger(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("content", sa.LargeBinary(), nullable=False),
        sa.ForeignKeyConstraint(
            ["file_id"], ["given_files.id"], name=op.f("fk_given_file_pieces_file_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("file_id", "number", name=op.f("pk_given_file_pieces")),
    )
    # What is packed already is not packed again.
    op.execute("ALTER TABLE given_file_pieces ALTER COLUMN content SET STORAGE EXTERNAL")
    op.add_column("jobs", sa.Column("asked", postgresql.JSONB(), nullable=False, server_default="{}"))
    op.add_column("jobs", sa.Column("file_id", sa.BigInteger()))
    op.add_column("jobs", sa.Column("why", sa.String(300), nullable=False, server_default=""))
    op.create_foreign_key(
        op.f("fk_jobs_file_id"), "jobs", "given_files", ["file_id"], ["id"], ondelete="SET NULL"
    )
    op.create_index(op.f("ix_jobs_file_id"), "jobs", ["file_id"])
    op.execute("ALTER TABLE job_pieces ALTER COLUMN content TYPE bytea USING convert_to(content, 'UTF8')")


def downgrade() -> None:
    op.execute("DELETE FROM jobs")
    op.execute("ALTER TABLE job_pieces ALTER COLUMN content TYPE text USING convert_from(content, 'UTF8')")
    for column in ("asked", "file_id", "why"):
        op.drop_column("jobs", column)
    op.drop_table("given_file_pieces")
    op.drop_table("given_files")
    op.drop_column("green_charts", "scan_id")
    op.drop_table("green_scans")
