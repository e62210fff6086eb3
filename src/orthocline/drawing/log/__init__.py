"""Where putts finished."""
