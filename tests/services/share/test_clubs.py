"""A club: founded, its greens and speeds kept by keepers, read by members, gone with its last keeper."""

from datetime import UTC, datetime, timedelta
from uuid import uuid4

import pytest
from sqlalchemy import select

from orthocline.core.estimate import Estimate
from orthocline.db.account.models import Golfer
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import delete_account
from orthocline.services.errors import InvalidError, NotFoundError
from orthocline.services.ground.charts import find_green, greens_at_hand, keep_chart, list_greens
from orthocline.services.ground.places import Place
from orthocline.services.share.clubs import (
    MEMBERS_CODE_LIFE,
    MOST_CLUBS,
    clubs_of,
    delete_club,
    found_club,
    invite_member,
    leave_club,
    members_of,
    post_speed,
    remove_member,
    take_post_back,
)
from orthocline.services.share.looking import club_at, pupil_at
from orthocline.services.share.sharing import CODE_LIFE, enter_code, look_no_more
from orthocline.services.speed.book import day_speed, keep_speed, list_speeds
from tests.charted import CHART
from tests.conftest import PASSWORD

NOW = datetime.now(UTC)
LINKS = Place("Links", "green 4")


@pytest.fixture
def runa(create_golfer):
    return Viewer(create_golfer("Runa"))


@pytest.fixture
def tove(create_golfer):
    return Viewer(create_golfer("Tove"))


@pytest.fixture
def kept(session, runa):
    """The club as its keeper has it."""
    return club_at(runa, session, found_club(runa, session, "Links Club"))


def joined(session, kept, golfer, *, keeper=False):
    """Let a golfer into a club, and return them as who looks at it."""
    return club_at(
        golfer,
        session,
        enter_code(golfer, session, invite_member(kept, session, NOW, keeper=keeper), NOW).giver_id,
    )


def measured(session, viewer, speed_ft, at, sd=0.15):
    keep_speed(
        *(viewer, session), speed_ft=Estimate(speed_ft, sd), method="ramp", place=LINKS, measured_at=at
    )


def test_a_club_is_founded_once_and_few_are(session, runa):
    key = runa.golfer.key
    first = found_club(runa, session, " Links \n Club ", key)
    assert [one.giver.name for one in clubs_of(runa, session)] == ["Links Club"]
    for number in range(MOST_CLUBS - 1):
        found_club(runa, session, f"Club {number}")
    with pytest.raises(InvalidError, match="at most"):
        found_club(runa, session, "One more")
    assert first in [one.giver_id for one in clubs_of(runa, session)]
    for name in ("", "x" * 61):
        with pytest.raises(InvalidError):
            found_club(runa, session, name)


def test_a_form_of_somebody_elses_founds_another_club(session, runa, tove):
    key = uuid4()
    first = found_club(runa, session, "Links Club", key)
    assert found_club(runa, session, "Links Club", key) == first
    other = found_club(tove, session, "Links Club", key)
    assert other != first
    assert [one.giver_id for one in clubs_of(tove, session)] == [other]


def test_one_code_lets_many_members_in_and_another_one_keeper(session, kept, tove, create_golfer):
    code = invite_member(kept, session, NOW)
    idris, late = Viewer(create_golfer("Idris")), Viewer(create_golfer("Late"))
    for golfer in (tove, idris):
        assert not enter_code(golfer, session, code, NOW).keeper
    with pytest.raises(InvalidError):
        enter_code(late, session, code, NOW + MEMBERS_CODE_LIFE)
    keepers = invite_member(kept, session, NOW, keeper=True)
    with pytest.raises(InvalidError):
        enter_code(late, session, keepers, NOW + CODE_LIFE)
    assert enter_code(idris, session, keepers, NOW).keeper
    assert enter_code(idris, session, code, NOW).keeper, "a member's code takes no keys away"
    with pytest.raises(InvalidError):
        enter_code(tove, session, keepers, NOW)
    told = [(one.name, one.keeper) for one in members_of(kept, session)]
    assert told == [("Runa", True), ("Idris", True), ("Tove", False)]
    assert [one.name for one in members_of(club_at(tove, session, kept.of.giver.id), session)] == [
        "Runa",
        "Idris",
    ]


def test_members_see_its_greens_and_keepers_alone_change_them(session, kept, runa, tove):
    member = joined(session, kept, tove)
    number = keep_chart(kept, session, LINKS, CHART, "the survey")
    assert [one.id for one in list_greens(member, session)] == [number]
    assert not find_green(tove, session, number).kept
    assert find_green(runa, session, number).kept
    keep_chart(runa, session, number, CHART, "once more")
    for who in (tove, member):
        with pytest.raises(NotFoundError):
            keep_chart(who, session, number, CHART, "mine now")
    assert list_greens(runa, session) == (), "the club's, not the keeper's"


def test_greens_at_hand_are_the_clubs_until_a_golfer_charts_their_own(session, kept, tove):
    joined(session, kept, tove)
    number = keep_chart(kept, session, LINKS, CHART, "the survey")
    assert [one.id for one in greens_at_hand(tove, session)] == [number]
    own = keep_chart(tove, session, LINKS, CHART, "my own")
    assert [one.id for one in greens_at_hand(tove, session)] == [own]


def test_a_posted_speed_is_of_the_day_beside_what_was_measured(session, kept, tove):
    joined(session, kept, tove)
    post_speed(kept, session, "links", 10.8, NOW - timedelta(hours=1))
    alone = day_speed(tove, session, NOW)
    assert (alone.speed_ft.value, alone.method, alone.notes[0].by) == (10.8, "posted", "Links Club")
    assert day_speed(tove, session, NOW, Place("elsewhere")) is None
    measured(session, tove, 10.0, NOW - timedelta(hours=2))
    both = day_speed(tove, session, NOW, LINKS)
    assert 10.0 < both.speed_ft.value < 10.4
    assert [note.by for note in both.notes] == ["Links Club", ""]
    assert both.speed_ft.sd < alone.speed_ft.sd


def test_a_clubs_numbers_are_as_sure_as_they_have_been(session, kept, tove):
    joined(session, kept, tove)
    for days in range(1, 13):
        at = NOW - timedelta(days=days)
        post_speed(kept, session, "Links", 10.4, at)
        measured(session, tove, 10.0, at + timedelta(hours=1))
    post_speed(kept, session, "Links", 11.4, NOW)
    (today,) = day_speed(tove, session, NOW, Place("Links")).notes
    assert today.speed_ft.value == pytest.approx(11.0, abs=0.08), "always four tenths high"
    assert today.speed_ft.sd < 0.35
    assert list_speeds(kept, session)[0].speed_ft.value == 11.4


def test_what_is_old_or_taken_back_counts_no_more(session, kept, tove):
    joined(session, kept, tove)
    post_speed(kept, session, "Links", 12.0, NOW - timedelta(days=2))
    measured(session, tove, 10.0, NOW - timedelta(hours=2))
    assert day_speed(tove, session, NOW, LINKS).method == "ramp"
    post_speed(kept, session, "Links", 12.0, NOW)
    (newest, _) = list_speeds(kept, session)
    with pytest.raises(NotFoundError):
        take_post_back(club_at(tove, session, kept.of.giver.id), session, newest.id)
    take_post_back(kept, session, newest.id)
    assert day_speed(tove, session, NOW, LINKS).method == "ramp"
    with pytest.raises(NotFoundError):
        take_post_back(kept, session, newest.id)


def test_members_change_nothing_of_a_club(session, kept, tove):
    member = joined(session, kept, tove)
    keeper = members_of(kept, session)[0]
    for refused in (
        lambda: post_speed(member, session, "Links", 10.0, NOW),
        lambda: invite_member(member, session, NOW),
        lambda: remove_member(member, session, keeper.number),
        lambda: delete_club(member, session),
        lambda: keep_chart(member, session, LINKS, CHART, "new"),
    ):
        with pytest.raises(NotFoundError):
            refused()


def test_whoever_left_or_was_removed_sees_nothing_more(session, kept, tove, create_golfer):
    number = keep_chart(kept, session, LINKS, CHART, "the survey")
    post_speed(kept, session, "Links", 10.8, NOW)
    idris = Viewer(create_golfer("Idris"))
    for golfer in (tove, idris):
        joined(session, kept, golfer)
    leave_club(tove, session, kept.of.giver.id)
    remove_member(kept, session, members_of(kept, session)[1].number)
    for golfer in (tove, idris):
        assert greens_at_hand(golfer, session) == ()
        assert day_speed(golfer, session, NOW) is None
        for look in (lambda who: find_green(who, session, number), lambda who: club_at(who, session, 1)):
            with pytest.raises(NotFoundError):
                look(golfer)


def test_the_last_keeper_stays_or_deletes_the_club(session, kept, runa, tove):
    joined(session, kept, tove)
    club = kept.of.giver.id
    for leave in (
        lambda: leave_club(runa, session, club),
        lambda: remove_member(kept, session, members_of(kept, session)[0].number),
    ):
        with pytest.raises(InvalidError, match="only keeper"):
            leave()
    look_no_more(runa, session, club)
    assert club_at(runa, session, club), "a club is left by its own way"
    with pytest.raises(NotFoundError):
        pupil_at(runa, session, club)
    delete_club(kept, session)
    assert clubs_of(tove, session) == []


@pytest.mark.parametrize("another", [False, True])
def test_a_club_lives_as_long_as_somebody_keeps_it(session, kept, runa, tove, another):
    joined(session, kept, tove, keeper=another)
    delete_account(runa, session, PASSWORD)
    assert (session.scalar(select(Golfer).where(Golfer.club)) is not None) == another


def test_a_clubs_name_is_no_golfers(kept, create_golfer):
    assert create_golfer("Links Club").id != kept.of.giver.id
