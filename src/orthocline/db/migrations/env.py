"""Alembic's entry: runs migrations on the connection it is given."""

from alembic import context

from orthocline.db.tables import METADATA

context.configure(connection=context.config.attributes["connection"], target_metadata=METADATA)
with context.begin_transaction():
    context.run_migrations()
