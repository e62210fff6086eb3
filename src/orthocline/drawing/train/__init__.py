"""Training, drawn."""
