"""What a golfer trained."""
