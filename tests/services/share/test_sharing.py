"""Sharing by a code: once, within a day, only what is chosen, until it is taken back."""

from datetime import UTC, datetime

import pytest
from sqlalchemy import func, select

from orthocline.db.share.models import CoachNote, CoachSession, Invitation, Sharing
from orthocline.db.share.queries import taken_by
from orthocline.services.account.access import Mode, Share, Viewer
from orthocline.services.account.accounts import delete_account
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.services.log.figures import log_figures
from orthocline.services.log.noting import edit_putt, note_putt
from orthocline.services.log.putts import ALL, delete_putt, list_putts
from orthocline.services.share.coaching import (
    MOST_DRILLS,
    MOST_NOTES,
    begin_session,
    last_note,
    leave_note,
    notes_of,
    sessions_of,
    set_session,
)
from orthocline.services.share.looking import looking_at
from orthocline.services.share.sharing import (
    CODE_LIFE,
    MOST_CODES,
    choose,
    coaches_of,
    enter_code,
    invitations_of,
    invite_coach,
    look_no_more,
    take_back,
    withdraw,
)
from orthocline.services.train.drills import begin_run
from orthocline.services.train.practice import done_with
from tests.conftest import PASSWORD

NOW = datetime(2026, 11, 28, 9, 0, tzinfo=UTC)


@pytest.fixture
def tove(create_golfer):
    return Viewer(create_golfer("Tove"))


@pytest.fixture
def wren(create_golfer):
    return Viewer(create_golfer("Wren"))


def shared(session, giver, taker, what=("log", "figures", "drills")):
    """Let a golfer see something of another's, and return them as who looks at it."""
    enter_code(taker, session, invite_coach(giver, session, what, NOW), NOW)
    return looking_at(taker, session, giver.owner_id)


@pytest.mark.parametrize("typed", [str, str.lower, lambda code: code.replace("-", " "), lambda c: f" {c}\n"])
def test_a_code_lets_one_coach_in_once_however_it_is_typed(session, tove, wren, create_golfer, typed):
    code = invite_coach(tove, session, ["log"], NOW)
    assert enter_code(wren, session, typed(code), NOW).what == ["log"]
    with pytest.raises(InvalidError, match="was used"):
        enter_code(Viewer(create_golfer("Idris")), session, code, NOW)
    assert [one.taker.name for one in coaches_of(tove, session)] == ["Wren"]
    assert [one.giver.name for one in taken_by(session, wren.owner_id, club=False)] == ["Tove"]


def test_a_code_ends_after_a_day_is_no_golfers_own_and_can_be_withdrawn(session, tove, wren):
    late, again = (invite_coach(tove, session, ["log"], NOW) for _ in range(2))
    with pytest.raises(InvalidError, match="opens nothing"):
        enter_code(wren, session, late, NOW + CODE_LIFE)
    with pytest.raises(InvalidError, match="your own"):
        enter_code(tove, session, again, NOW)
    assert len(invitations_of(tove, session, NOW)) == 2
    for one in invitations_of(tove, session, NOW):
        withdraw(wren, session, one.id)
    assert len(invitations_of(tove, session, NOW)) == 2, "nobody else withdraws it"
    for one in invitations_of(tove, session, NOW):
        withdraw(tove, session, one.id)
    with pytest.raises(InvalidError):
        enter_code(wren, session, again, NOW)


def test_codes_are_not_kept_and_not_endless(session, tove):
    codes = [invite_coach(tove, session, ["log"], NOW) for _ in range(MOST_CODES)]
    assert len(set(codes)) == MOST_CODES
    kept = session.scalars(select(Invitation.digest)).all()
    assert not any(code.replace("-", "").encode() in digest for code in codes for digest in kept)
    with pytest.raises(InvalidError, match="open already"):
        invite_coach(tove, session, ["log"], NOW)
    assert invite_coach(tove, session, ["log"], NOW + CODE_LIFE), "those that are over do not count"


@pytest.mark.parametrize("what", [[], ["speeds"], ["everything"]])
def test_something_that_a_golfer_has_is_chosen(session, tove, what):
    with pytest.raises(InvalidError, match="one thing at least"):
        invite_coach(tove, session, what, NOW)


def test_a_coach_sees_what_is_chosen_and_changes_none_of_it(session, tove, wren):
    putt = note_putt(tove, session, length_m=3.0)
    who = shared(session, tove, wren, ["log"])
    assert [one.id for one in list_putts(who, session).putts] == [putt.id]
    assert list_putts(wren, session).putts == ()
    for seen in (
        lambda: log_figures(who, session, "middle", [ALL]),
        lambda: set_session(who, session, ["start_gate"], ""),
        lambda: delete_putt(who, session, putt.id),
        lambda: edit_putt(who, session, putt.id, None),
        lambda: note_putt(who, session, length_m=3.0),
        lambda: begin_run(who, session, "start_gate", {}, NOW),
        lambda: delete_account(who, session, PASSWORD),
        lambda: invite_coach(who, session, ["log"], NOW),
    ):
        with pytest.raises(NotFoundError):
            seen()
    session.refresh(putt)
    assert putt.deleted_at is None


def test_what_is_taken_back_is_seen_no_more(session, tove, wren):
    shared(session, tove, wren)
    (held,) = coaches_of(tove, session)
    choose(tove, session, held.id, ["drills"])
    assert not looking_at(wren, session, tove.owner_id).sees(Share.LOG)
    with pytest.raises(NotFoundError):
        take_back(wren, session, held.id)
    take_back(tove, session, held.id)
    with pytest.raises(NotFoundError):
        looking_at(wren, session, tove.owner_id)
    assert looking_at(tove, session, tove.owner_id) == tove


def test_a_coach_may_look_no_more(session, tove, wren):
    shared(session, tove, wren)
    look_no_more(wren, session, tove.owner_id)
    look_no_more(wren, session, tove.owner_id)
    assert not taken_by(session, wren.owner_id, club=False)


def test_a_note_is_left_once_read_by_its_pupil_and_by_no_other_coach(session, tove, wren, create_golfer):
    putt = note_putt(tove, session, length_m=3.0)
    who = shared(session, tove, wren)
    note = leave_note(who, session, putt.id, "  Gate \n first. ", key=(key := putt.key))
    assert leave_note(who, session, putt.id, "Gate first.", key=key).id == note.id
    assert [one.words for one in notes_of(tove, session, [putt.id])[putt.id]] == ["Gate first."]
    assert last_note(tove, session).coach_name == "Wren"
    idris = shared(session, tove, Viewer(create_golfer("Idris")))
    assert notes_of(idris, session, [putt.id]) == {}
    leave_note(idris, session, putt.id, "Look at the low side.")
    assert len(notes_of(tove, session, [putt.id])[putt.id]) == 2


@pytest.mark.parametrize(("words", "said"), [(" ", "want to say"), ("x" * 501, "At most 500")])
def test_a_note_says_something_short(session, tove, wren, words, said):
    putt = note_putt(tove, session, length_m=3.0)
    with pytest.raises(InvalidError, match=said):
        leave_note(shared(session, tove, wren), session, putt.id, words)


def test_notes_end_somewhere_and_lie_on_shared_putts_alone(session, tove, wren):
    putt, own = note_putt(tove, session, length_m=3.0), note_putt(wren, session, length_m=3.0)
    who = shared(session, tove, wren)
    for number in range(MOST_NOTES):
        leave_note(who, session, putt.id, f"Note {number}.")
    with pytest.raises(InvalidError, match=f"{MOST_NOTES} notes"):
        leave_note(who, session, putt.id, "One more.")
    for viewer, lies_on in ((who, own), (wren, own), (wren, putt)):
        with pytest.raises(NotFoundError):
            leave_note(viewer, session, lies_on.id, "Whose is it?")


def test_a_session_is_set_begun_and_seen_as_far_as_it_has_come(session, tove, wren):
    who = shared(session, tove, wren)
    left = set_session(who, session, ["home_length", "start_gate"], "Pace first.")
    assert [slot.what for slot in sessions_of(tove, session)[0].slots] == ["home_length", "start_gate"]
    begin_session(tove, session, left.id, NOW)
    done_with(tove, session, 1, NOW)
    (seen,) = sessions_of(who, session)
    assert (seen.plan.done, seen.minutes) == (1, 12.0)
    with pytest.raises(NotFoundError):
        begin_session(wren, session, left.id, NOW)


@pytest.mark.parametrize("drills", [[], ["no_drill"], ["start_gate"] * (MOST_DRILLS + 1)])
def test_a_session_is_of_drills_on_the_shelf(session, tove, wren, drills):
    with pytest.raises(InvalidError):
        set_session(shared(session, tove, wren), session, drills, "")


def test_advice_is_refused_in_competition_on_both_sides(session, tove, wren):
    putt = note_putt(tove, session, length_m=3.0)
    who = shared(session, tove, wren)
    playing = Viewer(wren.golfer, Mode.COMPETITION, who.of)
    for asked in (
        lambda: leave_note(playing, session, putt.id, "Aim left."),
        lambda: notes_of(Viewer(tove.golfer, Mode.COMPETITION), session, [putt.id]),
        lambda: sessions_of(Viewer(tove.golfer, Mode.COMPETITION), session),
    ):
        with pytest.raises(NotAllowedError, match="off in Competition"):
            asked()


@pytest.mark.parametrize("leaves", ["pupil", "coach"])
def test_a_deleted_account_takes_along_what_others_saw_of_it(session, tove, wren, leaves):
    putt = note_putt(tove, session, length_m=3.0)
    who = shared(session, tove, wren)
    leave_note(who, session, putt.id, "Gate first.")
    set_session(who, session, ["start_gate"], "")
    invite_coach(tove, session, ["log"], NOW)
    delete_account(tove if leaves == "pupil" else wren, session, PASSWORD)
    for kind in (Sharing, CoachNote, CoachSession):
        assert session.scalar(select(func.count()).select_from(kind)) == 0, kind
    assert session.scalar(select(func.count()).select_from(Invitation)) == (leaves == "coach")
