"""The Ternholm demo."""
