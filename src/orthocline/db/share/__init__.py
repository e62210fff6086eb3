"""What golfers share: with whom, by which code, and what a coach left."""
