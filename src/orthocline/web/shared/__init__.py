"""What two features need: fields, trials, saving a speed, rows of the log, the address of a read."""
