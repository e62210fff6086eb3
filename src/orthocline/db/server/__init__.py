"""The private server, migrations, backup."""
