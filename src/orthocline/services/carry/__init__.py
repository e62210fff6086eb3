"""What a golfer takes along."""
