"""Use cases: one function per thing a golfer does."""
