"""Work in the background, in words."""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class JobWords:
    """A kind of work: its page's name, what is being made, what is there, the word of its button."""

    title: str
    making: str
    made: str
    take: str


JOB_WORDS: Mapping[str, JobWords] = {
    "archive": JobWords(
        "Your data",
        "Your measures, speeds and putts are written into one file.",
        "Everything that is kept of you is in one file. It lies here for a day.",
        "Take the file",
    ),
}
