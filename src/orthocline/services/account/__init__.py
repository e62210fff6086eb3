"""Accounts, own measures, the mode."""
