"""Made-up things of every kind that there will be more of, each in one module."""
