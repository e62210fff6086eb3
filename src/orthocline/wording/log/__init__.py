"""Logged putts in words."""
