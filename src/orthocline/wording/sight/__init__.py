"""Words of what is seen through an eye."""
