"""A one-time key on what golfers enter, and a row for each trial of a stride or a stroke."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_25_one_time_keys"
down_revision = "2026_11_25_folded_names"
branch_labels = None
depends_on = None

KEYED = ("logged_putts", "speed_notes")
TRIALS = {
    "stride_trials": ("stride_tries", ("paces", "tape_m")),
    "stroke_trials": ("stroke_putts", ("stroke_m", "roll_m", "green_speed_ft")),
}


def _key() -> sa.Column[object]:
    return sa.Column("key", sa.Uuid(), server_default=sa.text("gen_random_uuid()"), nullable=False)


def upgrade() -> None:
    for table in KEYED:
        op.add_column(table, _key())
        op.create_unique_constraint(op.f(f"uq_{table}_golfer_id_key"), table, ["golfer_id", "key"])
    for table, (old, figures) in TRIALS.items():
        op.create_table(
            table,
            *(sa.Column(name, sa.Double(), nullable=False) for name in figures),
            sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
            sa.Column("golfer_id", sa.BigInteger(), nullable=False),
            _key(),
            *(sa.CheckConstraint(f"{name} > 0", name=op.f(f"ck_{table}_{name}")) for name in figures),
            sa.ForeignKeyConstraint(
                ["golfer_id"],
                ["own_measures.golfer_id"],
                name=op.f(f"fk_{table}_golfer_id"),
                ondelete="CASCADE",
            ),
            sa.PrimaryKeyConstraint("id", name=op.f(f"pk_{table}")),
            sa.UniqueConstraint("golfer_id", "key", name=op.f(f"uq_{table}_golfer_id_key")),
        )
        values = ", ".join(f"(trial ->> '{name}')::float8" for name in figures)
        op.execute(
            f"INSERT INTO {table} (golfer_id, {', '.join(figures)}) SELECT golfer_id, {values}"
            f" FROM own_measures, jsonb_array_elements({old}) WITH ORDINALITY AS trials(trial, place)"
            " ORDER BY golfer_id, place"
        )
        op.drop_column("own_measures", old)


def downgrade() -> None:
    for table, (old, figures) in TRIALS.items():
        column = sa.Column(old, postgresql.JSONB(), server_default="[]", nullable=False)
        op.add_column("own_measures", column)
        pairs = ", ".join(f"'{name}', {name}" for name in figures)
        op.execute(
            f"UPDATE own_measures SET {old} = kept.trials FROM (SELECT golfer_id,"
            f" jsonb_agg(jsonb_build_object({pairs}) ORDER BY id) AS trials FROM {table} GROUP BY golfer_id)"
            " kept WHERE kept.golfer_id = own_measures.golfer_id"
        )
        op.drop_table(table)
    for table in KEYED:
        op.drop_constraint(op.f(f"uq_{table}_golfer_id_key"), table)
        op.drop_column(table, "key")
