"""Training: sessions, questions, levels, what comes back; and which way a guessed slope fell."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_27_training"
down_revision = "2026_11_27_what_the_log_teaches"
branch_labels = None
depends_on = None


def _golfer(*, primary_key: bool = False) -> sa.Column[int]:
    owner = sa.ForeignKey("golfers.id", ondelete="CASCADE")
    return sa.Column("golfer_id", sa.BigInteger, owner, nullable=False, primary_key=primary_key)


def _entry() -> tuple[sa.Column[int], sa.Column[int], sa.Column[object]]:
    return (
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        _golfer(),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
    )


def _time(name: str, *, nullable: bool = True) -> sa.Column[object]:
    now = None if nullable else sa.func.now()
    return sa.Column(name, sa.DateTime(timezone=True), nullable=nullable, server_default=now)


def upgrade() -> None:
    op.add_column("slope_pairs", sa.Column("way", sa.String(10)))
    op.create_check_constraint(
        op.f("ck_slope_pairs_way"), "slope_pairs", "way IN ('left', 'right', 'toes', 'heels')"
    )
    op.create_table(
        "training_sessions",
        *_entry(),
        sa.Column("asks", sa.String(40), nullable=False),
        sa.Column("ground", sa.String(40), nullable=False),
        sa.Column("wanted", sa.SmallInteger, nullable=False),
        _time("begun_at", nullable=False),
        _time("ended_at"),
        sa.CheckConstraint("wanted > 0", name=op.f("ck_training_sessions_wanted")),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_training_sessions_golfer_id_key")),
    )
    op.create_index(
        "uq_training_sessions_open",
        "training_sessions",
        ["golfer_id"],
        unique=True,
        postgresql_where=sa.text("ended_at IS NULL"),
    )
    op.create_table(
        "trained_questions",
        *_entry(),
        sa.Column(
            "session_id",
            sa.BigInteger,
            sa.ForeignKey("training_sessions.id", ondelete="CASCADE"),
            nullable=False,
            index=True,
        ),
        sa.Column("number", sa.SmallInteger, nullable=False),
        sa.Column("asks", sa.String(40), nullable=False),
        sa.Column("ground", sa.String(40), nullable=False),
        sa.Column("level", sa.Float, nullable=False),
        sa.Column("seed", sa.Integer, nullable=False),
        sa.Column("shown", sa.String(10), nullable=False),
        sa.Column("kind", sa.String(40), nullable=False),
        _time("asked_at", nullable=False),
        _time("answered_at"),
        sa.Column("given", sa.dialects.postgresql.JSONB),
        sa.Column("school", sa.String(40)),
        *(sa.Column(name, sa.Float) for name in ("said", "truth", "off", "score")),
        sa.Column("late", sa.Boolean, server_default=sa.text("false"), nullable=False),
        sa.CheckConstraint("level BETWEEN 0 AND 10", name=op.f("ck_trained_questions_level")),
        sa.CheckConstraint("seed >= 0", name=op.f("ck_trained_questions_seed")),
        sa.CheckConstraint("score BETWEEN 0 AND 1", name=op.f("ck_trained_questions_score")),
        sa.CheckConstraint(
            "(answered_at IS NULL) = (score IS NULL)", name=op.f("ck_trained_questions_answered")
        ),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_trained_questions_golfer_id_key")),
        sa.UniqueConstraint("session_id", "number", name=op.f("uq_trained_questions_session_id_number")),
    )
    op.create_index(
        "ix_trained_questions_golfer_id_answered_at",
        "trained_questions",
        ["golfer_id", sa.text("answered_at DESC")],
    )
    op.create_table(
        "training_levels",
        _golfer(primary_key=True),
        sa.Column("asks", sa.String(40), primary_key=True),
        sa.Column("level", sa.Float, nullable=False),
        sa.Column("answers", sa.Integer, server_default="0", nullable=False),
        sa.CheckConstraint("level BETWEEN 0 AND 10", name=op.f("ck_training_levels_level")),
    )
    op.create_table(
        "training_memories",
        _golfer(primary_key=True),
        sa.Column("kind", sa.String(40), primary_key=True),
        sa.Column("state", sa.SmallInteger, nullable=False),
        sa.Column("step", sa.Integer),
        sa.Column("stability", sa.Float),
        sa.Column("difficulty", sa.Float),
        sa.Column("due", sa.DateTime(timezone=True), nullable=False),
        _time("last_review"),
    )
    op.create_index("ix_training_memories_golfer_id_due", "training_memories", ["golfer_id", "due"])


def downgrade() -> None:
    op.drop_table("training_memories")
    op.drop_table("training_levels")
    op.drop_table("trained_questions")
    op.drop_table("training_sessions")
    op.drop_column("slope_pairs", "way")
