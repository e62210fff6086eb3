"""One file a change of the tables, named by its date."""
