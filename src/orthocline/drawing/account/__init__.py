"""The golfer's own measures."""
