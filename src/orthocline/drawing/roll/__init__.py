"""A putt: from above, at the cup, from the side."""
