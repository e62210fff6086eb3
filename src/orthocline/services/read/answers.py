"""A putt document answered: the read of it, how sure it is, and how often its golfer holes it."""

from typing import Any, NamedTuple

from orthocline.core.account import USUAL_PASTS
from orthocline.core.holing import Outlook, outlook_of
from orthocline.core.roll import PuttError, Read, read
from orthocline.core.sure import CERTAIN, Sureness
from orthocline.formats.putt_document import LARGEST_LINE, DocumentError, Question, parse_question
from orthocline.formats.read_document import aim_document, read_document
from orthocline.wording.read.warnings import warning_words


class Answer(NamedTuple):
    """The read of a document, how sure it is, and how often its golfer holes it, if one is named."""

    sure: Sureness
    outlook: Outlook | None

    @property
    def document(self) -> dict[str, Any]:
        """All of it as JSON data."""
        return read_document(self.sure.read, warning_words(self.sure.read), self.sure, self.outlook)


def answer_to(asked: Question) -> Answer:
    """Return the answer to a question; raises DocumentError for a putt whose hole no ball reaches."""
    solved = _solved(asked)
    outlook = outlook_of(asked.putt, solved.aim, asked.golfer, USUAL_PASTS) if asked.golfer else None
    return Answer(Sureness(solved, asked.uncertainty), outlook)


def answer_line(line: bytes) -> dict[str, Any]:
    """Return all that is answered to a document that is one line of many; raises DocumentError."""
    return answer_to(parse_question(line, LARGEST_LINE)).document


def aim_line(line: bytes) -> dict[str, Any]:
    """Return the aim alone that answers a document that is one line of many; raises DocumentError."""
    asked = parse_question(line, LARGEST_LINE)
    solved = _solved(asked)
    sure = Sureness(solved, asked.uncertainty) if asked.uncertainty != CERTAIN else None
    return aim_document(solved, sure)


def _solved(asked: Question) -> Read:
    try:
        return read(asked.putt)
    except PuttError as error:
        raise DocumentError(error.member, str(error), formed=True) from error
