"""The call of a read, for pages that have it at their foot."""

from datetime import datetime

from orthocline.core.calls import GolferFigures
from orthocline.core.roll import Read
from orthocline.services.account.access import Viewer
from orthocline.services.read.reading import how_sure
from orthocline.web.shared.read_request import ReadRequest
from orthocline.wording.read.call import Call, call


def call_of(
    viewer: Viewer, read: ReadRequest | None, solved: Read | None, golfer: GolferFigures, now: datetime
) -> Call | None:
    """Return the call of what was asked and solved, with its range; None where it is not."""
    if read is None or solved is None:
        return None
    sure = how_sure(viewer, solved, read.uncertainty(now))
    return call(solved, read.wording, golfer, sure.range)
