"""How sure, in pictures."""
