"""Green speeds and own measures."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "2026_11_23_speeds_and_measures"
down_revision = "2026_11_23_golfers_and_putts"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "own_measures",
        sa.Column("golfer_id", sa.BigInteger(), nullable=False),
        sa.Column("units", sa.String(length=10), server_default="feet", nullable=False),
        sa.Column("slopes", sa.String(length=10), server_default="percent", nullable=False),
        sa.Column("bend", sa.String(length=10), server_default="break", nullable=False),
        sa.Column("hand", sa.String(length=10), server_default="right", nullable=False),
        sa.Column("eye", sa.String(length=10), server_default="unknown", nullable=False),
        sa.Column("shoe_m", sa.Double(), nullable=True),
        sa.Column("finger_1_m", sa.Double(), nullable=True),
        sa.Column("finger_2_m", sa.Double(), nullable=True),
        sa.Column("finger_3_m", sa.Double(), nullable=True),
        sa.Column("arm_full_m", sa.Double(), nullable=True),
        sa.Column("arm_bent_m", sa.Double(), nullable=True),
        sa.Column("usual_past_m", sa.Double(), nullable=True),
        sa.Column("stride_tries", postgresql.JSONB(), server_default="[]", nullable=False),
        sa.Column("stroke_putts", postgresql.JSONB(), server_default="[]", nullable=False),
        sa.CheckConstraint("bend IN ('break', 'borrow')", name=op.f("ck_own_measures_bend")),
        sa.CheckConstraint("eye IN ('right', 'left', 'unknown')", name=op.f("ck_own_measures_eye")),
        sa.CheckConstraint("hand IN ('right', 'left')", name=op.f("ck_own_measures_hand")),
        sa.CheckConstraint("slopes IN ('percent', 'degrees')", name=op.f("ck_own_measures_slopes")),
        sa.CheckConstraint("units IN ('feet', 'metres')", name=op.f("ck_own_measures_units")),
        sa.CheckConstraint("arm_bent_m > 0", name=op.f("ck_own_measures_arm_bent_m")),
        sa.CheckConstraint("arm_full_m > 0", name=op.f("ck_own_measures_arm_full_m")),
        sa.CheckConstraint("finger_1_m > 0", name=op.f("ck_own_measures_finger_1_m")),
        sa.CheckConstraint("finger_2_m > 0", name=op.f("ck_own_measures_finger_2_m")),
        sa.CheckConstraint("finger_3_m > 0", name=op.f("ck_own_measures_finger_3_m")),
        sa.CheckConstraint("shoe_m > 0", name=op.f("ck_own_measures_shoe_m")),
        sa.CheckConstraint("usual_past_m >= 0", name=op.f("ck_own_measures_usual_past_m")),
        sa.ForeignKeyConstraint(
            ["golfer_id"], ["golfers.id"], name=op.f("fk_own_measures_golfer_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("golfer_id", name=op.f("pk_own_measures")),
    )
    op.create_table(
        "speed_notes",
        sa.Column("id", sa.BigInteger(), sa.Identity(always=False), nullable=False),
        sa.Column("golfer_id", sa.BigInteger(), nullable=False),
        sa.Column("course", sa.String(length=50), nullable=False),
        sa.Column("green", sa.String(length=28), server_default="", nullable=False),
        sa.Column("measured_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("method", sa.String(length=10), nullable=False),
        sa.Column("speed_ft", sa.Double(), nullable=False),
        sa.Column("sd_ft", sa.Double(), nullable=False),
        sa.Column("evidence", sa.String(length=2000), server_default="", nullable=False),
        sa.Column("mowing", sa.String(length=20), server_default="", nullable=False),
        sa.Column("moisture", sa.String(length=20), server_default="", nullable=False),
        sa.Column("firmness", sa.String(length=20), server_default="", nullable=False),
        sa.Column("trueness", sa.Integer(), nullable=True),
        sa.Column("smoothness", sa.Integer(), nullable=True),
        sa.Column("note", sa.String(length=500), server_default="", nullable=False),
        sa.Column("deleted_at", sa.DateTime(timezone=True), nullable=True),
        sa.CheckConstraint(
            "method IN ('ramp', 'posted', 'timed', 'stroke')", name=op.f("ck_speed_notes_method")
        ),
        sa.CheckConstraint("sd_ft > 0", name=op.f("ck_speed_notes_sd_ft")),
        sa.CheckConstraint("smoothness BETWEEN 1 AND 5", name=op.f("ck_speed_notes_smoothness")),
        sa.CheckConstraint("speed_ft >= 3 AND speed_ft <= 20", name=op.f("ck_speed_notes_speed_ft")),
        sa.CheckConstraint("trueness BETWEEN 1 AND 5", name=op.f("ck_speed_notes_trueness")),
        sa.ForeignKeyConstraint(
            ["golfer_id"], ["golfers.id"], name=op.f("fk_speed_notes_golfer_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_speed_notes")),
    )
    op.create_index(
        "ix_speed_notes_golfer_id_measured_at", "speed_notes", ["golfer_id", "measured_at"], unique=False
    )


def downgrade() -> None:
    op.drop_index("ix_speed_notes_golfer_id_measured_at", table_name="speed_notes")
    op.drop_table("speed_notes")
    op.drop_table("own_measures")
