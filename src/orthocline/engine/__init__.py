"""The engine of large work: blocks of it, done by as many processes as there are."""
