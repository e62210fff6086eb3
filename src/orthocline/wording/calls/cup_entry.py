"""The cup entry in words: the hour on the rim, with the earliest and the latest that still drop."""

from orthocline.core.calls import CupEntry
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, titled
from orthocline.wording.figures import hour_words
from orthocline.wording.wording import Wording


def _words(_read: Read, entry: CupEntry | None, _wording: Wording) -> Said | None:
    if entry is None:
        return None
    hour = hour_words(entry.hours)
    if entry.window_hours is None:
        return Said(hour, ": too fast to drop at this pace")
    first, last = (hour_words(one) for one in entry.window_hours)
    return Said(hour, f" on the rim; from {first} to {last} it drops too")


SAYING = Saying(titled("Cup entry"), _words, lambda _: "half past four", noun="entry")
