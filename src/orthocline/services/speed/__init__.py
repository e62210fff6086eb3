"""The speed book, and measuring for it."""
