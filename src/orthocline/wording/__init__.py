"""Units, figures and every sentence: how golfers say and type things."""
