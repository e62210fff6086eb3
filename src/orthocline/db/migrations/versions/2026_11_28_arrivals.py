"""What was entered on a phone comes in once."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_28_arrivals"
down_revision = "2026_11_27_competition"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "arrivals",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("key", sa.Uuid, server_default=sa.text("gen_random_uuid()"), nullable=False),
        sa.Column("kind", sa.String(10), nullable=False),
        sa.Column("entered_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("arrived_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.UniqueConstraint("golfer_id", "key", name=op.f("uq_arrivals_golfer_id_key")),
    )


def downgrade() -> None:
    op.drop_table("arrivals")
