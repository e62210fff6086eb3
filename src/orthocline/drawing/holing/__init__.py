"""How often and how firm, drawn."""
