"""The ground."""
