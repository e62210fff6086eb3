"""The call: a read in words."""
