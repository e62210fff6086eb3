"""What is carried, in words."""
