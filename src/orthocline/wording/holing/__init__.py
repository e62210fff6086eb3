"""How often and how firm, in words."""
