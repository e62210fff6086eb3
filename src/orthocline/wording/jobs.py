"""Work in the background, in words."""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class JobWords:
    """A kind of work: its page's name, what is being made, what is there, the word of its button.

    `back` is where its page leads back to, in words and by its endpoint; `page` the endpoint of the page that
    shows what was made, where it has one of its own. How far it is is said `in_percent` or counted.
    """

    title: str
    making: str
    made: str
    take: str
    back: tuple[str, str]
    page: str = ""
    in_percent: bool = False


JOB_WORDS: Mapping[str, JobWords] = {
    "archive": JobWords(
        "Your data",
        "All that is kept of you is written into one file.",
        "Everything that is kept of you is in one file. It lies here for a day.",
        "Take the file",
        ("Back to your account", "account.page"),
    ),
    "archive_in": JobWords(
        "Your archive",
        "The archive is looked through, line by line. All of it is brought in, or nothing.",
        "It is brought in.",
        "See it",
        ("Back to your account", "account.page"),
        "account.brought_in",
        in_percent=True,
    ),
    "pack": JobWords(
        "Today, taken along",
        "Aim and pace are solved round every pin, and then compared with the solver at two thousand places.",
        "It is solved.",
        "See it",
        ("Back to taking today along", "along.page"),
        "along.solved",
    ),
    "print": JobWords(
        "What you carry",
        "The pages are solved and drawn, and laid on paper.",
        "It is made.",
        "See it",
        ("Back to what you carry", "prints.page"),
        "prints.made",
        in_percent=True,
    ),
    "putts_trial": JobWords(
        "A file of putts",
        "The file is tried, line by line. Nothing is kept of it before you have seen what it would do.",
        "The file is tried.",
        "See what it would do",
        ("Back to putts in and out", "log_files.page"),
        "log_files.look",
        in_percent=True,
    ),
    "putts_keep": JobWords(
        "A file of putts",
        "The putts are taken into your log, all of them or none.",
        "The putts are in your log.",
        "Take the file",
        ("Back to your log", "log.page"),
        "log_files.kept",
        in_percent=True,
    ),
    "habits": JobWords(
        "What your log says of you",
        "The putts of your log are worked through.",
        "It is worked out.",
        "See it",
        ("Back to your log", "log.page"),
        "habits.worked_out",
        in_percent=True,
    ),
    "green_export": JobWords(
        "A green as a file",
        "The green is written into a file.",
        "The file is written. It lies here for a day.",
        "Take the file",
        ("Back to your greens", "greens.page"),
    ),
    "study": JobWords(
        "Holes of the day",
        "Every half metre of the green is tried as a hole. It takes minutes, and goes on without this page.",
        "It is worked out.",
        "See it",
        ("Back to your greens", "greens.page"),
        "holes.made",
        in_percent=True,
    ),
    "green_import": JobWords(
        "A file of a green",
        "The file is read. Nothing is kept of it before you have seen what was understood.",
        "The file is read.",
        "See what was understood",
        ("Back to your greens", "greens.page"),
        "green_files.look",
        in_percent=True,
    ),
}
