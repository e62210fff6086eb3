"""What is seen through an eye."""
