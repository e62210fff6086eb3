"""Tuning putts in words: they train and check pace, and give no speed."""

from orthocline.core.speed import TuningScore
from orthocline.wording.speed.method_words import ROLL_ALLOWED, FigureWords, MethodWords, always
from orthocline.wording.wording import Wording

WORDS = MethodWords(
    "tuning putts",
    "Tuning putts",
    "tuning putts",
    "Putt some balls to one level distance of your own, to stop in a zone of your own behind it. They train"
    " and check pace; they give no green speed, because nobody knows how fast they left.",
    {
        "target": FigureWords(
            "Distance",
            "How far do you putt?",
            "between 3 and 60 ft (1 and 18 m): 10 to 15 ft (3 to 4.5 m) is best",
            always(""),
        ),
        "zone": FigureWords(
            "Good up to",
            "How far past may they stop?",
            "between 2 in and 6 ft (5 cm and 1.8 m) past it",
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


def tuning_start(wording: Wording) -> dict[str, str]:
    """Return the distance and the zone from which a golfer begins."""
    if wording.units.metric:
        return {"target": "4 m", "zone": "40 cm"}
    return {"target": "13 ft", "zone": "16 in"}


def tuning_title(score: TuningScore) -> str:
    """Return how a set went, in one line."""
    if score.all_good:
        return "Every ball where it should be."
    return f"{sum(score.good)} of {len(score.good)} where they should be."


def tuning_details(score: TuningScore, wording: Wording) -> str:
    """Return where they stopped on average, and how well they group."""
    way = "past" if score.mean_m >= 0.0 else "short"
    mean = f"On average {wording.short(score.mean_m)} {way}"
    if len(score.past_m) < 2:
        return f"{mean}. Putt three or four more to see how well they group."
    group = f"grouped within {wording.short(score.group_m)}, spread {wording.short(score.spread_m)}"
    return f"{mean}, {group}."
