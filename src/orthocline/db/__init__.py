"""Models and queries on PostgreSQL, and the private server they live in."""
