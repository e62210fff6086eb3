"""Letters of the world: one place, the database, says which names are the same."""

import pytest
from sqlalchemy import func, select

from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import delete_account, sign_in, sign_up
from orthocline.services.errors import InvalidError
from orthocline.services.ground.places import Place
from orthocline.services.log.noting import note_putt
from orthocline.services.log.putts import Which, list_putts
from orthocline.services.speed.book import list_courses
from tests.conftest import PASSWORD
from tests.speeds import kept_speed

SAME = [
    ("İstanbul GC", "istanbul gc"),
    ("İstanbul GC", "ISTANBUL GC"),
    ("i\u0307stanbul", "İSTANBUL"),
    ("ΝΙΚΟΣ", "νικος"),
    ("ΝΙΚΟΣ", "νικοσ"),
    ("Ǆurđa", "ǆurđa"),
    ("Zoe\u0308", "ZOË"),
    ("ﬁdel", "FIDEL"),
    ("Ternholm", "TERNHOLM"),
]


@pytest.mark.parametrize(("one", "other"), SAME)
def test_a_golfer_is_entered_by_any_spelling_and_can_go(session, one, other):
    golfer = sign_up(session, one, PASSWORD)
    assert sign_in(session, other, PASSWORD) is golfer
    with pytest.raises(InvalidError, match="signed up"):
        sign_up(session, other, PASSWORD)
    delete_account(Viewer(golfer), session, PASSWORD)
    sign_up(session, other, PASSWORD)


@pytest.mark.parametrize(("one", "other"), [("Zoë", "Zoe"), ("ΝΙΚΟΣ", "ΝΙΚΗΣ"), ("Tove", "Tove 2")])
def test_different_names_stay_different(session, one, other):
    sign_up(session, one, PASSWORD)
    sign_up(session, other, PASSWORD)


@pytest.mark.parametrize(("one", "other"), SAME)
def test_folding_twice_changes_nothing(session, one, other):
    once = session.scalar(select(func.folded(one)))
    assert session.scalar(select(func.folded(other))) == once
    assert session.scalar(select(func.folded(once))) == once


@pytest.mark.parametrize("course", ["İstanbul GC", "ΝΙΚΟΣ ΛΙΝΚΣ", "ﬁord", "\u0130\u0131i"])
def test_every_page_opens_whatever_a_course_is_called(signed_in, session, course):
    kept_speed(session, signed_in.golfer, course=course, green="İnci")
    kept_speed(session, signed_in.golfer, course=course.upper(), green="inci")
    session.commit()
    pages = (
        "/",
        "/read",
        "/speed",
        "/speed/ramp",
        "/speed/without-a-ramp",
        f"/read?course={course}&green=İNCİ",
    )
    assert [signed_in.get(page).status_code for page in pages] == [200] * len(pages)
    assert len(list_courses(Viewer(signed_in.golfer), session)) == 1
    signed_in.post("/log", data={"course": course})
    assert course in signed_in.get(f"/log?place={course.lower()}").text


def test_a_place_is_found_by_a_part_of_any_spelling(session, create_golfer):
    golfer = create_golfer()
    putt = note_putt(Viewer(golfer), session, length_m=3.0, place=Place("İstanbul GC", "100 %"))
    for part in ("istanbul", "gc, 100", "İST", "0 %"):
        assert list_putts(Viewer(golfer), session, Which(place=part)).putts == (putt,), part
    assert list_putts(Viewer(golfer), session, Which(place="1_0")).putts == ()
