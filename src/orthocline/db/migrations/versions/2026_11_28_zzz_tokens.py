"""Programs reach a golfer's data by tokens."""

import sqlalchemy as sa
from alembic import op

revision = "2026_11_28_zzz_tokens"
down_revision = "2026_11_28_zz_links"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "api_tokens",
        sa.Column("id", sa.BigInteger, sa.Identity(), primary_key=True),
        sa.Column(
            "golfer_id", sa.BigInteger, sa.ForeignKey("golfers.id", ondelete="CASCADE"), nullable=False
        ),
        sa.Column("name", sa.String(40), nullable=False),
        sa.Column("digest", sa.LargeBinary, nullable=False),
        sa.Column("scopes", sa.ARRAY(sa.String(10)), nullable=False),
        sa.Column("made_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("used_at", sa.DateTime(timezone=True)),
        sa.UniqueConstraint("digest", name=op.f("uq_api_tokens_digest")),
    )
    op.create_index(op.f("ix_api_tokens_golfer_id"), "api_tokens", ["golfer_id"])


def downgrade() -> None:
    op.drop_table("api_tokens")
