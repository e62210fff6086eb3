"""What was entered on a phone comes in: each thing once, and never over what has changed since."""

from collections.abc import Callable, Mapping
from typing import Any, Final

from sqlalchemy.orm import Session

from orthocline.core.chart import Chart, ChartReading
from orthocline.core.ground import Surface, plane_from_grade
from orthocline.core.log import Finish, breaks_right
from orthocline.core.pack import near_enough
from orthocline.core.roll import Point, Putt, PuttError, Read, RollPast
from orthocline.core.speed import posted_speed
from orthocline.core.sure import CERTAIN, Sources, Uncertainty
from orthocline.core.units import wrap_rad
from orthocline.db.carry.models import Arrival
from orthocline.db.carry.queries import arrivals_among
from orthocline.db.entries import one_at_a_time, with_same_key
from orthocline.db.log.outings import outing_keyed
from orthocline.formats.phone_document import (
    PinRead,
    PlaneRead,
    Sent,
    SentEnd,
    SentPutt,
    SentRound,
    SentSlope,
    SentSpeed,
)
from orthocline.services.account.access import Viewer, own_data
from orthocline.services.account.measures import own_measures, own_senses, wording_of
from orthocline.services.errors import ChangedError, InvalidError, NotAllowedError, NotFoundError
from orthocline.services.ground.charts import (
    ChartedGreen,
    Edit,
    edit_chart,
    edited_since,
    find_green,
    known_of,
)
from orthocline.services.ground.places import Place
from orthocline.services.log.entries import Result, Turn
from orthocline.services.log.noting import note_putt, record_result, save_read
from orthocline.services.log.outings import begin_outing, end_outing
from orthocline.services.read.reading import read_putt
from orthocline.services.speed.book import day_speed, keep_speed
from orthocline.wording.carry.phone import GONE, NO_ROUND, changed_words, slope_changed_words

ANEW, BARE, ALONE, ANYWAY = "anew", "bare", "alone", "anyway"
"""What may be decided of something that changed meanwhile."""
PUTT_CHOICES: Final = {
    ANEW: "Keep it, read by the green as it is now",
    BARE: "Keep it without the read",
}
ROUND_CHOICES: Final = {ALONE: "Keep it without its round"}
SLOPE_CHOICES: Final = {ANYWAY: "Put it on the chart as it is now"}
ALIKE_FT: Final = 0.05
"""A speed is the day's if it is that as it is shown."""


@own_data
def take_in(viewer: Viewer, session: Session, sent: Sent) -> None:
    """Keep what was entered on a phone; what has come in before stays as it is.

    Raises
    ------
    ChangedError
        Where what it was entered for has changed since, and nobody has decided what to do.
    InvalidError, NotFoundError
        Where it cannot be kept.
    NotAllowedError
        In Competition, for what is off then; and for what another golfer entered.
    """
    if sent.golfer != viewer.owner_id:
        raise NotAllowedError("Another golfer entered that: it waits until they sign in on this phone.")
    one_at_a_time(session, viewer.owner_id)
    arrival = Arrival(golfer_id=viewer.owner_id, key=sent.id, kind=sent.kind, entered_at=sent.at)
    if with_same_key(session, arrival):
        return
    _KEPT[sent.kind](viewer, session, sent)
    session.add(arrival)
    session.flush()


def _putt(viewer: Viewer, session: Session, sent: SentPutt) -> None:
    place, turn, result = Place(sent.course, sent.green), _turn(viewer, session, sent), _result(sent)
    told: dict[str, Any] = {"place": place, "turn": turn, "note": sent.note, "at": sent.at, "key": sent.id}
    if sent.read is None or BARE in sent.decided:
        breaks = breaks_right(sent.read.aim_right_m) if sent.read else None
        method = "model" if sent.read else ""
        note_putt(
            viewer, session, length_m=sent.length_m, result=result, method=method, breaks=breaks, **told
        )
        return
    read = _read(viewer, session, sent)
    putt = save_read(viewer, session, read, uncertainty=_uncertainty(viewer, session, sent, read), **told)
    if result.holed is not None:
        record_result(viewer, session, putt.id, result)


def _turn(viewer: Viewer, session: Session, sent: SentPutt) -> Turn:
    if sent.outing is None or ALONE in sent.decided:
        return Turn(None, None, sent.number, sent.visit)
    outing_id = outing_keyed(session, viewer.owner_id, sent.outing)
    if outing_id is None:
        raise ChangedError(NO_ROUND, ROUND_CHOICES)
    return Turn(outing_id, sent.hole, sent.number, sent.visit)


def _result(sent: SentPutt) -> Result:
    finish = Finish(*sent.finish_m) if sent.finish_m and not sent.holed else None
    return Result(False if finish else sent.holed, finish)


def _read(viewer: Viewer, session: Session, sent: SentPutt) -> Read:
    """Return the read of a putt as the solver has it; raises as `take_in` does."""
    said = sent.read
    assert said is not None
    if isinstance(said, PlaneRead):
        surface, length_m = plane_from_grade(said.rise, said.side, 0.0), sent.length_m or 0.0
        return read_putt(viewer, _putt_of(said, Point(0.0, 0.0), Point(length_m, 0.0), surface))
    try:
        green = find_green(viewer, session, said.green)
        read = read_putt(viewer, _on_green(viewer, session, green, said))
    except (NotFoundError, InvalidError) as error:
        raise ChangedError(GONE, {BARE: PUTT_CHOICES[BARE]}) from error
    if green.mark != said.mark and ANEW not in sent.decided and not _same(said, read):
        wording = wording_of(own_measures(viewer, session))
        words = changed_words(green.place.green, said.aim_right_m, read.aim_right_m, wording)
        raise ChangedError(words, PUTT_CHOICES)
    return read


def _same(said: PinRead, read: Read) -> bool:
    """Return whether a chart that changed leaves a read as good as it was."""
    return read.aim_right_m is not None and near_enough(said.aim_right_m, read.aim_right_m)


def _putt_of(said: PinRead | PlaneRead, ball: Point, hole: Point, surface: Surface) -> Putt:
    try:
        return Putt(ball, hole, surface, said.green_speed_ft, RollPast(said.past_m))
    except PuttError as error:
        raise InvalidError("length", f"This putt cannot be read: {error}.") from error


def _on_green(viewer: Viewer, session: Session, green: ChartedGreen, said: PinRead) -> Putt:
    known = known_of(viewer, green.chart, own_senses(own_measures(viewer, session)))
    if known is None:
        raise NotFoundError(GONE)
    return _putt_of(said, Point(*said.ball_m), Point(*said.hole_m), known.survey)


def _uncertainty(viewer: Viewer, session: Session, sent: SentPutt, read: Read) -> Uncertainty:
    """Return how uncertain the figures of a read were; its speed is as sure as the day's, if it was that."""
    day = day_speed(viewer, session, sent.at, Place(sent.course, sent.green))
    if day is None or abs(day.speed_ft.value - read.putt.green_speed_ft) > ALIKE_FT:
        return CERTAIN
    own = own_senses(own_measures(viewer, session))
    return Sources(speed_sd_ft=day.speed_ft.sd, own=own).uncertainty(read.putt)


def _round(viewer: Viewer, session: Session, sent: SentRound) -> None:
    told = (sent.outing, sent.course, sent.at, sent.id)
    begin_outing(viewer, session, *told, competition=sent.competition)


def _end(viewer: Viewer, session: Session, sent: SentEnd) -> None:
    outing_id = outing_keyed(session, viewer.owner_id, sent.outing)
    if outing_id is None:
        raise NotFoundError(NO_ROUND)
    end_outing(viewer, session, outing_id, sent.at)


def _slope(viewer: Viewer, session: Session, sent: SentSlope) -> None:
    edits = edited_since(viewer, session, sent.green, sent.mark)
    # What came from the phone itself moved nothing on the chart.
    own = edits is not None and arrivals_among(session, viewer.owner_id, edits) == set(edits)
    if not own and ANYWAY not in sent.decided:
        name = find_green(viewer, session, sent.green).place.green
        raise ChangedError(slope_changed_words(name), SLOPE_CHOICES)
    x, y = sent.at_m
    reading = ChartReading((x, y), sent.by, wrap_rad(sent.toward_rad), sent.slope)

    def added(chart: Chart) -> Edit:
        return Edit(chart.added("readings", reading), "a slope read on the green")

    edit_chart(viewer, session, sent.green, added, sent.id)


def _speed(viewer: Viewer, session: Session, sent: SentSpeed) -> None:
    keep_speed(
        viewer,
        session,
        speed_ft=posted_speed(sent.green_speed_ft),
        method="posted",
        place=Place(sent.course, ""),
        measured_at=sent.at,
        key=sent.id,
    )


_KEPT: Final[Mapping[str, Callable[[Viewer, Session, Any], None]]] = {
    "putt": _putt,
    "round": _round,
    "end": _end,
    "slope": _slope,
    "speed": _speed,
}
