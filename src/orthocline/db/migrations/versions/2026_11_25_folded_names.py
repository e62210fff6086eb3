"""Names and courses are compared in one place: by what the database folds them to."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_25_folded_names"
down_revision = "2026_11_23_speeds_and_measures"
branch_labels = None
depends_on = None

FOLDED = """CREATE FUNCTION folded(words text) RETURNS text LANGUAGE sql IMMUTABLE STRICT PARALLEL SAFE
RETURN lower(normalize(upper(words), NFKC))"""
RENAMED = """UPDATE golfers SET name = left(name, 50) || ' ' || id FROM (
  SELECT id AS twin, row_number() OVER (PARTITION BY folded(name) ORDER BY id) AS place FROM golfers
) twins WHERE id = twin AND place > 1"""


def upgrade() -> None:
    op.execute(FOLDED)
    op.drop_index("uq_golfers_name", table_name="golfers")
    op.execute(RENAMED)
    op.create_index("uq_golfers_name", "golfers", [sa.text("folded(name)")], unique=True)


def downgrade() -> None:
    op.drop_index("uq_golfers_name", table_name="golfers")
    op.create_index("uq_golfers_name", "golfers", [sa.text("lower(name)")], unique=True)
    op.execute("DROP FUNCTION folded(text)")
