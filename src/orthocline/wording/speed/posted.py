"""The posted number in words."""

from orthocline.wording.speed.method_words import FigureWords, MethodWords, always

WORDS = MethodWords(
    "posted number",
    "Posted number",
    "posted",
    "What the club has put up today: sure to a foot on its day.",
    {
        "posted": FigureWords(
            "Posted number", "Enter the posted number.", "between 3 and 20 feet", always("10.5")
        )
    },
    lambda _: "Within 1.0 ft today, 1.5 ft from tomorrow on. A few rolls of a ramp are three times as sure.",
    "posted",
)
