"""Zero putts in words: they train and check pace, and give no speed."""

from orthocline.core.speed import ZeroScore
from orthocline.wording.speed.method_words import ROLL_ALLOWED, FigureWords, MethodWords, always
from orthocline.wording.wording import Wording

WORDS = MethodWords(
    "zero putts",
    "Zero putts",
    "zero putts",
    "Putt four or five balls to one level distance. They train and check pace; they give no green speed,"
    " because nobody knows how fast they left.",
    {
        "target": FigureWords(
            "Distance",
            "How far do you putt?",
            "between 3 and 60 ft (1 and 18 m): 10 to 15 ft (3 to 4.5 m) is best",
            always(""),
        ),
        "balls": FigureWords(
            "How far each ball rolled",
            "No balls yet: enter how far the first one rolled.",
            ROLL_ALLOWED,
            lambda wording: wording.taped(3.8),
            "A ball",
        ),
    },
)


def zero_title(score: ZeroScore) -> str:
    """Return how a set went, in one line."""
    if score.all_good:
        return "Every ball where it should be."
    return f"{sum(score.good)} of {len(score.good)} where they should be."


def zero_details(score: ZeroScore, wording: Wording) -> str:
    """Return where they stopped on average, and how well they group."""
    way = "past" if score.mean_m >= 0.0 else "short"
    mean = f"On average {wording.short(score.mean_m)} {way}"
    if len(score.past_m) < 2:
        return f"{mean}. Putt three or four more to see how well they group."
    group = f"grouped within {wording.short(score.group_m)}, spread {wording.short(score.spread_m)}"
    return f"{mean}, {group}."
