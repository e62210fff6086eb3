"""Migrations: to the newest tables and back."""

from pathlib import Path

from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext
from sqlalchemy import Connection, Engine, NullPool, create_engine

from orthocline.db.models import Base

SCRIPTS = Path(__file__).with_name("migrations")


def _engine(url: str) -> Engine:
    return create_engine(url, poolclass=NullPool)


def _config(connection: Connection) -> Config:
    config = Config()
    config.set_main_option("script_location", str(SCRIPTS))
    config.attributes["connection"] = connection
    return config


def upgrade(url: str, revision: str = "head") -> None:
    """Bring a database to a revision, the newest unless another is named."""
    with _engine(url).begin() as connection:
        command.upgrade(_config(connection), revision)


def downgrade(url: str, revision: str) -> None:
    """Take a database back to a revision, ``base`` being none."""
    with _engine(url).begin() as connection:
        command.downgrade(_config(connection), revision)


def differences(url: str) -> list[object]:
    """Return how the database differs from the models: nothing, when all migrations are written."""
    with _engine(url).connect() as connection:
        return list(compare_metadata(MigrationContext.configure(connection), Base.metadata))
