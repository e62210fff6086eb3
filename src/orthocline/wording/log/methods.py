"""By what a putt was read, in words."""

from orthocline.wording.calls import SAYINGS
from orthocline.wording.wording import Wording

OTHERS = {"model": "The call", "eye": "By eye alone"}


def method_words(method: str, wording: Wording) -> str:
    """Return the name of a way to read a putt; of one that is not known any more, as it is kept."""
    if method in OTHERS:
        return OTHERS[method]
    return SAYINGS[method].title(wording) if method in SAYINGS else method.replace("_", " ")
