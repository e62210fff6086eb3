"""Accounts and own measures."""
