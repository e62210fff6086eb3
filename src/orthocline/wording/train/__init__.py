"""Training, in words."""
