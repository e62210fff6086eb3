"""Reading putts."""
