"""The ground in words."""
