"""The speed book."""
