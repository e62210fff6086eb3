"""Training: questions asked and answered, what comes back, what it says of the eyes."""
