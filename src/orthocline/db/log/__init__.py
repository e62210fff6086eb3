"""The log."""
