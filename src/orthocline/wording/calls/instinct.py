"""Without numbers: words only, for golfers who play by instinct."""

from orthocline.core.calls import Instinct
from orthocline.core.roll import Read
from orthocline.wording.calls.answers import mood_words, place_words
from orthocline.wording.calls.saying import Said, Saying, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, felt: Instinct | None, _wording: Wording) -> Said | None:
    return None if felt is None else Said(f"{place_words(felt.place)}, {mood_words(felt.mood)}")


SAYING = Saying(
    titled("Without numbers"),
    _words,
    lambda _: "a little outside the left, dying",
    "Words are as near as words can be.",
    "feel",
)
