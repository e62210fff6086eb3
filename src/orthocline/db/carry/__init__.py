"""What golfers carry."""
