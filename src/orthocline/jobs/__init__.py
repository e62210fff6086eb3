"""Background work: the worker that takes jobs from the queue."""
