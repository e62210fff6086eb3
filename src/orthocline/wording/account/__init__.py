"""The golfer's own measures in words."""
