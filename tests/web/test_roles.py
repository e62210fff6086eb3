"""Every route of somebody's row, out of the route table, tried by everybody in their roles."""

import re

import pytest
from sqlalchemy import select

from orthocline.db.account.models import Golfer
from orthocline.db.tables import METADATA
from orthocline.services.account.access import Viewer
from orthocline.services.account.trials import add_stride_trial
from orthocline.services.carry.cards import usual_cards
from orthocline.services.carry.prints import ask_print
from orthocline.services.ground.charts import keep_chart
from orthocline.services.ground.places import Place
from orthocline.services.ground.study_asked import ask_study
from orthocline.services.jobs.jobs import ask_for
from orthocline.services.log.noting import note_putt
from orthocline.services.log.outings import begin_outing
from orthocline.services.share.clubs import invite_member, post_speed
from orthocline.services.share.coaching import leave_note, set_session
from orthocline.services.share.looking import looking_at
from orthocline.services.share.sharing import invite_coach
from orthocline.services.share.tokens import SCOPES, make_token
from orthocline.services.train.drills import begin_run
from orthocline.services.train.sessions import ask_next, begin
from tests.charted import CHART
from tests.conftest import PASSWORD
from tests.services.share.test_sharing import NOW
from tests.sharing import let_see
from tests.speeds import kept_speed
from tests.web.test_access import PUBLIC, private_routes

SECRET = "Hollow by the old oak"
"""Stands in whatever is somebody's own."""
OTHERWISE = {"name", "chart", "kind", "ending", "what", "filename", "token"}
"""Arguments that name no row."""
SEEN_GREEN = {
    *("greens.green", "greens.under", "green_files.green", "green_files.export"),
    *("holes.page", "holes.one", "holes.keep"),
}
OF_PUPIL = {"pupils.one", "pupils.log", "pupils.putt", "pupils.drills"}
LEFT = {"pupils.delete_note", "pupils.delete_session", "sharing.leave"}
OF_CLUB = {"clubs.one", "clubs.leave"}
KEPT = {
    *("clubs.delete", "clubs.delete_post", "clubs.invite", "clubs.post", "clubs.remove"),
    *("greens.about", "greens.edit", "greens.redo", "greens.undo", "green_files.give_to"),
    *("holes.ask", "holes.delete", "holes.restore"),
}
MAY = {
    "neighbour": (set(), set()),
    "coach": (SEEN_GREEN | OF_PUPIL | LEFT, set()),
    "coach of the log": (OF_PUPIL - {"pupils.drills"} | LEFT - {"pupils.delete_session"}, set()),
    "former coach": (set(), set()),
    "member": (set(), SEEN_GREEN | OF_CLUB),
    "keeper": (set(), SEEN_GREEN | OF_CLUB | KEPT),
    "former member": (set(), set()),
}
"""What each role may do with the rows of the pupil, and with those of the club."""


def rows_of_pupil(session, tove, coach):
    viewer = Viewer(tove)
    putt = note_putt(viewer, session, length_m=3.0, note=SECRET)
    who = looking_at(Viewer(coach), session, tove.id)
    carried = ask_print(
        viewer, session, "cards", {**usual_cards((10.0,), 0.3, metric=False).document, "day": SECRET}
    )
    add_stride_trial(viewer, session, paces=10, tape_m=8.0)
    invite_coach(viewer, session, ["log"], NOW)
    make_token(viewer, session, SECRET, ["putts"])
    begin(viewer, session, "amount", "made", 10, NOW)
    number = {
        table: session.scalars(
            select(METADATA.tables[table].c.id).where(METADATA.tables[table].c[of] == tove.id)
        ).first
        for table, of in (
            ("stride_trials", "golfer_id"),
            ("sharings", "giver_id"),
            ("invitations", "giver_id"),
            ("api_tokens", "golfer_id"),
        )
    }
    green_id = keep_chart(viewer, session, Place(SECRET, "4"), CHART, "charted")
    return {
        "giver_id": tove.id,
        "putt_id": putt.id,
        "green_id": green_id,
        "study_id": ask_study(viewer, session, green_id, 10.0, "middle", faster=False),
        "note_id": kept_speed(session, tove).id,
        "trial_id": number["stride_trials"](),
        "print_id": carried.id,
        "job_id": ask_for(viewer, session, "archive").id,
        "outing_id": begin_outing(viewer, session, "round", SECRET, NOW).id,
        "run_id": begin_run(viewer, session, "start_gate", {}, NOW).id,
        "question_id": ask_next(viewer, session, NOW).id,
        "left_id": leave_note(who, session, putt.id, SECRET).id,
        "sharing_id": number["sharings"](),
        "invitation_id": number["invitations"](),
        "token_id": number["api_tokens"](),
        **{"left_id ": set_session(who, session, ["start_gate"], SECRET).id},
    }


def rows_of_club(session, club, keeper, held):
    who = looking_at(Viewer(keeper), session, club.id)
    post_speed(who, session, SECRET, 10.0, NOW)
    invite_member(who, session, NOW)
    notes = METADATA.tables["speed_notes"]
    green_id = keep_chart(who, session, Place(SECRET, "5"), CHART, "charted")
    return {
        "club_id": club.id,
        "giver_id": club.id,
        "green_id": green_id,
        "study_id": ask_study(Viewer(keeper), session, green_id, 10.0, "middle", faster=False),
        "post_id": session.scalars(select(notes.c.id).where(notes.c.golfer_id == club.id)).one(),
        "note_id": session.scalars(select(notes.c.id).where(notes.c.golfer_id == club.id)).one(),
        "member_id": held.id,
        "sharing_id": held.id,
    }


@pytest.fixture
def cast(session, create_golfer):
    """Return everybody by their roles, and the rows of the pupil and of the club."""
    tove, club = create_golfer("Tove"), Golfer(name="Links Club", password_hash="", club=True)
    session.add(club)
    session.flush()
    golfers = {role: create_golfer(role.capitalize()) for role in MAY}
    let_see(session, tove, golfers["coach"], "log", "figures", "drills", "greens")
    let_see(session, tove, golfers["coach of the log"], "log")
    held = let_see(session, club, golfers["keeper"], "greens", "speeds", keeper=True)
    let_see(session, club, golfers["member"], "greens", "speeds")
    for giver, role in ((tove, "former coach"), (club, "former member")):
        session.delete(let_see(session, giver, golfers[role], "log", "figures", "drills", "greens", "speeds"))
    rows = (
        rows_of_pupil(session, tove, golfers["coach"]),
        rows_of_club(session, club, golfers["keeper"], held),
    )
    session.commit()
    return golfers, rows


def kept(session):
    """Everything that is kept of the pupil and of the club, as the database has it."""
    session.expire_all()
    owners = [one.id for one in session.scalars(select(Golfer).where(Golfer.club | (Golfer.name == "Tove")))]
    found = {}
    for table in METADATA.sorted_tables:
        for name in {"golfer_id", "giver_id"} & set(table.columns.keys()):
            query = select(table).where(table.c[name].in_(owners))
            found[table.name] = sorted(map(str, session.execute(query)))
    return found


def address_of(rule, rows):
    """Return a route's address for these rows; None where it needs others."""
    names = rule.arguments - OTHERWISE
    if not names or not names <= {name.strip() for name in rows}:
        return None
    address = re.sub(r"<any\((\w+)[^>]*>", r"\1", rule.rule).replace("<name>", "tuning_putts")
    for name in names:
        session_of_drills = rule.endpoint.endswith(("_session", "_set"))
        number = rows.get(f"{name} ", rows[name]) if session_of_drills else rows[name]
        address = address.replace(f"<int:{name}>", str(number))
    return address


def test_every_argument_of_a_route_is_tried(app, cast):
    _, rows = cast
    tried = {name.strip() for found in rows for name in found} | OTHERWISE
    asked = {name for rule in app.url_map.iter_rules() for name in rule.arguments}
    assert asked <= tried, "say in which role a new one is whose"


@pytest.mark.parametrize("role", MAY)
def test_each_role_sees_what_is_shared_and_nothing_else(app, session, cast, role):
    golfers, rows = cast
    client = app.test_client()
    client.post("/sign-in", data={"name": golfers[role].name, "password": PASSWORD})
    before, tried = kept(session), 0
    for may, found in zip(MAY[role], rows, strict=True):
        for rule, method in private_routes(app):
            address = address_of(rule, found)
            if address is None or (rule.endpoint in may and method == "POST"):
                continue
            answer, tried = client.open(address, method=method, data={"holed": "1"}), tried + 1
            if rule.endpoint in may:
                assert answer.status_code == 200, address
            else:
                assert answer.status_code == 404 or (method, answer.status_code) == ("POST", 303), address
                assert SECRET not in answer.text, address
    assert tried >= 50
    assert kept(session) == before


def test_a_stranger_sees_nothing_of_it(app, session, cast):
    _, rows = cast
    before, client = kept(session), app.test_client()
    for found in rows:
        for rule, method in private_routes(app):
            address = address_of(rule, found)
            if address:
                answer = client.open(address, method=method)
                assert answer.status_code in (302, 401), address
                assert SECRET not in answer.text
    assert kept(session) == before


def test_public_routes_name_no_row(app):
    for rule in app.url_map.iter_rules():
        if rule.endpoint in PUBLIC:
            assert rule.arguments <= OTHERWISE, rule


@pytest.mark.parametrize("role", MAY)
def test_a_program_sees_what_its_golfer_does(app, session, cast, role):
    golfers, rows = cast
    token = make_token(Viewer(golfers[role]), session, "all", SCOPES)
    session.commit()
    client, tried = app.test_client(), 0
    for may, found in zip(MAY[role], rows, strict=True):
        for rule in app.url_map.iter_rules():
            address = address_of(rule, found) if rule.endpoint.startswith("api.") else None
            for method in rule.methods - {"HEAD", "OPTIONS"} if address else ():
                answer = client.open(address, method=method, headers={"Authorization": f"Bearer {token}"})
                seen = rule.endpoint == "api.green" and "greens.green" in may
                assert answer.status_code == (200 if seen else 404), address
                assert seen or SECRET not in answer.text
                tried += 1
    assert tried == 2, "say in which role a new one is whose"
