"""A putt of the log as the model judges it."""

from orthocline.core.account import Golfer
from orthocline.core.learning import Played
from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import Question, question_of
from orthocline.services.log.entries import result_of


def played_of(putt: LoggedPutt, golfer: Golfer, asked: Question | None = None) -> Played | None:
    """Return a putt as it was played; None without a read, or while nobody has said how it ended."""
    if putt.putt_document is None or putt.holed is None:
        return None
    asked, result = asked or question_of(putt.putt_document), result_of(putt)
    return Played(
        asked.putt,
        golfer,
        holed=putt.holed,
        finish=result.finish,
        aim_right_m=aimed_m(putt),
        corrected_by=putt.corrected_by or 1.0,
        uncertainty=asked.uncertainty,
        seen=result.seen,
        by_device=result.by_device,
    )


def aimed_m(putt: LoggedPutt) -> float | None:
    """Return where a putt was aimed [m, right]: by the own read and its correction; None for the model's."""
    if putt.own_aim_right_m is None:
        return None
    return putt.own_aim_right_m * (putt.corrected_by or 1.0)
