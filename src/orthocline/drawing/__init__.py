"""Pictures, made from what the core computes and a golfer's wording."""
