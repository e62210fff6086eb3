"""How sure, in words."""
