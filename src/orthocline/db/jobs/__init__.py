"""Work in the background: what was asked for, and its queue."""
