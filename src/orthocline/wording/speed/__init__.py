"""What was measured, in words."""
