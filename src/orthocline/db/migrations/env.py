"""Alembic's entry: runs migrations on the connection it is given."""

from alembic import context

from orthocline.db.models import Base

context.configure(connection=context.config.attributes["connection"], target_metadata=Base.metadata)
with context.begin_transaction():
    context.run_migrations()
