"""Ways to find the straight putt, in words."""

WAY_WORDS = {
    "plate": "By a plate or bubble",
    "feet": "By the feet",
    "level": "By two level readings",
    "unknown": "How steep it is, a plate does not say: taken as greens usually are.",
}
