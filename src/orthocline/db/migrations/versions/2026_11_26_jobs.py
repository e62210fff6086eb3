"""Work in the background: the jobs, what they make, and the queue's own tables."""

from typing import Any

import sqlalchemy as sa
from alembic import op
from procrastinate.schema import SchemaManager

revision = "2026_11_26_jobs"
down_revision = "2026_11_26_own_figures"
branch_labels = None
depends_on = None

STATES = "state IN ('waiting', 'running', 'done', 'cancelled', 'failed')"
DROP_QUEUE = """
DO $$ DECLARE found record; BEGIN
  FOR found IN SELECT tablename AS name FROM pg_tables
    WHERE schemaname = current_schema() AND tablename LIKE 'procrastinate\\_%' LOOP
    EXECUTE format('DROP TABLE %I CASCADE', found.name);
  END LOOP;
  FOR found IN SELECT p.oid::regprocedure AS name FROM pg_proc AS p
    WHERE p.pronamespace = current_schema()::regnamespace AND p.proname LIKE 'procrastinate\\_%' LOOP
    EXECUTE 'DROP FUNCTION ' || found.name || ' CASCADE';
  END LOOP;
  FOR found IN SELECT t.typname AS name FROM pg_type AS t
    WHERE t.typnamespace = current_schema()::regnamespace AND t.typtype IN ('e', 'c')
      AND t.typname LIKE 'procrastinate\\_%' LOOP
    EXECUTE format('DROP TYPE %I CASCADE', found.name);
  END LOOP;
END $$
"""


def upgrade() -> None:
    op.create_table(
        "jobs",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column("golfer_id", sa.BigInteger, nullable=False),
        sa.Column("key", sa.Uuid, nullable=False, server_default=sa.text("gen_random_uuid()")),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("mode", sa.String(20), nullable=False, server_default="open_play"),
        sa.Column("state", sa.String(10), nullable=False, server_default="waiting"),
        sa.Column("done", sa.BigInteger, nullable=False, server_default="0"),
        sa.Column("total", sa.BigInteger, nullable=False, server_default="0"),
        sa.Column("asked_at", sa.DateTime(timezone=True), nullable=False, server_default=sa.func.now()),
        sa.ForeignKeyConstraint(["golfer_id"], ["golfers.id"], name="fk_jobs_golfer_id", ondelete="CASCADE"),
        sa.UniqueConstraint("golfer_id", "key", name="uq_jobs_golfer_id_key"),
        sa.CheckConstraint(STATES, name="state"),
        sa.CheckConstraint("0 <= done AND done <= total", name="done"),
    )
    op.create_table(
        "job_pieces",
        sa.Column("job_id", sa.BigInteger, primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("content", sa.Text, nullable=False),
        sa.ForeignKeyConstraint(["job_id"], ["jobs.id"], name="fk_job_pieces_job_id", ondelete="CASCADE"),
    )
    # Through the driver itself: the queue's functions are full of percent signs.
    _driver().execute(SchemaManager.get_schema())


def downgrade() -> None:
    _driver().execute(DROP_QUEUE)
    op.drop_table("job_pieces")
    op.drop_table("jobs")


def _driver() -> Any:
    return op.get_bind().connection.driver_connection
