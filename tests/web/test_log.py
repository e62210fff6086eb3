"""The log's pages: save, finish, list, edit, delete and undo; sign-in and the way back."""

import pytest
from sqlalchemy import event, select

from orthocline.db.log.models import LoggedPutt
from orthocline.services.ground.places import place_of
from tests.archived import rows_in
from tests.conftest import PASSWORD
from tests.page import link, parsed, text, value, values
from tests.reads import SPINDRIFT

INCH = 0.0254


def rows(session):
    session.expire_all()
    return session.scalars(select(LoggedPutt).order_by(LoggedPutt.id)).all()


@pytest.fixture
def saved(signed_in, session):
    signed_in.post("/log", data={**SPINDRIFT, "own": "9 in", "own_side": "left"})
    return rows(session)[0]


def edited_form(client, putt):
    return values(parsed(client.get(f"/log/{putt.id}/edit")).main.form)


def test_saving_leads_to_the_finish(signed_in, session):
    response = signed_in.post("/log", data=SPINDRIFT)
    putt = rows(session)[0]
    assert (response.status_code, response.location) == (303, f"/log/{putt.id}/finish")
    assert place_of(putt).text == "Ternholm Links, green 4, Spindrift"
    assert putt.read_document["aim_right_m"] == pytest.approx(17.697 * INCH, abs=1e-4)


def test_saving_without_an_account_leads_through_sign_in_and_back(client, create_golfer):
    response = client.post("/log", data=SPINDRIFT)
    assert response.location.startswith("/sign-in?next=/read?")
    create_golfer()
    back = client.post(response.location, data={"name": "tove", "password": PASSWORD})
    assert "length=14+ft" in back.location
    assert client.get(back.location).status_code == 200


def test_a_bad_putt_is_not_saved_and_nothing_is_lost(signed_in, session):
    response = signed_in.post("/log", data={**SPINDRIFT, "length": "far"})
    assert "length=far" in response.location
    assert rows(session) == []


def test_finish_typed_and_holed(signed_in, session, saved):
    address = f"/log/{saved.id}/finish"
    assert "The call was aim 17¾ in right, 9 in past" in text(signed_in.get(address))
    finish = {"along": "8 in", "along_way": "past", "across": "3 in", "across_way": "left"}
    assert signed_in.post(address, data=finish).status_code == 303
    putt = rows(session)[0]
    assert (putt.finish_along_m, putt.finish_across_m) == pytest.approx((8 * INCH, -3 * INCH))
    assert value(signed_in.get(address), "along") == "8 in"
    assert "8 in past, 3 in left" in text(signed_in.get("/log"))
    signed_in.post(address, data={"holed": "1"})
    assert rows(session)[0].holed is True


def test_a_bad_finish_is_told_and_kept_as_typed(signed_in, saved):
    response = signed_in.post(f"/log/{saved.id}/finish", data={"along": "9999 ft", "across": ""})
    assert response.status_code == 422
    assert value(response, "along") == "9999 ft"
    assert "must be between 0 and 98 ft" in text(response)
    assert "is not there yet" in text(response)


@pytest.mark.usefixtures("saved")
def test_list_filters_part_and_empty_states(signed_in):
    assert "14 ft · 2.1 % left · 0.9 % up · speed 10.2" in text(signed_in.get("/log"))
    assert "own read 9 in left" in text(signed_in.get("/log"))
    assert "No putt in your log fits" in text(signed_in.get("/log?result=holed"))
    assert "14 ft" in text(signed_in.get("/log?place=SPIN&result=nonsense"))
    part = signed_in.get("/log?result=open", headers={"HX-Request": "true"})
    assert [element["id"] for element in parsed(part).find_all(recursive=False)] == ["putts"]


def test_edit_delete_undo(signed_in, saved):
    edited = edited_form(signed_in, saved)
    signed_in.post(f"/log/{saved.id}/edit", data=edited | {"green": "green 5", "note": "grain <b>"})
    page = text(signed_in.get("/log"))
    assert "grain <b>" in page
    too_long = signed_in.post(f"/log/{saved.id}/edit", data=edited | {"green": "x" * 90})
    assert too_long.status_code == 422
    assert "At most 80 characters" in text(too_long)
    gone = signed_in.post(f"/log/{saved.id}/delete")
    page = text(signed_in.get(gone.location))
    assert "Undo" in page
    assert "Your log is empty" in page
    assert signed_in.get(f"/log/{saved.id}/edit").status_code == 404
    signed_in.post(f"/log/{saved.id}/restore")
    assert "green 5" in text(signed_in.get("/log"))
    assert signed_in.get("/log?deleted=99999999999999999999").status_code == 200


def test_competition_keeps_the_log_and_notes_without_reads(signed_in, session, saved):
    signed_in.post("/mode", data={"mode": "competition"})
    assert signed_in.post("/log", data=SPINDRIFT).status_code == 403
    noted = signed_in.post("/log/note", data={"length": "20 ft", "note": "slow"})
    assert noted.status_code == 303
    assert rows(session)[1].read_document is None
    page = text(signed_in.get("/log"))
    assert "slow" in page
    assert "17¾" not in page
    assert "17¾" not in text(signed_in.get(f"/log/{saved.id}/finish"))
    bad = signed_in.post("/log/note", data={"length": "none", "note": "kept"})
    assert bad.status_code == 422
    assert value(bad, "note") == "kept"


@pytest.mark.usefixtures("saved")
def test_the_list_needs_few_queries_however_long(signed_in, engine):
    def count():
        seen = []
        event.listen(engine, "before_cursor_execute", listen := lambda *args: seen.append(args[2]))
        signed_in.get("/log")
        event.remove(engine, "before_cursor_execute", listen)
        return len([sql for sql in seen if sql.startswith("SELECT")])

    few = count()
    for _ in range(5):
        signed_in.post("/log", data=SPINDRIFT)
    assert count() == few <= 4


@pytest.mark.usefixtures("saved")
def test_account_export_sign_out_and_delete(signed_in, session, take_along):
    export = take_along(signed_in)
    assert rows_in(export.data, "greens")[0]["name"] == "green 4, Spindrift"
    wrong = signed_in.post("/account/delete", data={"password": "not this one"})
    assert wrong.status_code == 422
    assert "not your password" in text(wrong)
    signed_in.post("/account/delete", data={"password": PASSWORD})
    assert rows(session) == []
    assert signed_in.get("/account").status_code == 302


@pytest.mark.usefixtures("saved")
def test_today_shows_the_last_putts(signed_in):
    page = signed_in.get("/")
    assert "1 without a finish." in text(page)
    assert "14 ft · 2.1 % left" in text(page)
    assert "17¾ in right" in text(signed_in.get(link(page, "14 ft · 2.1 % left")))
