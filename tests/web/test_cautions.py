"""The cautions stand where they apply, and all of them on their page."""

import pytest

from orthocline.services.account.access import Viewer
from orthocline.services.ground.charts import new_green
from orthocline.services.ground.places import Place
from orthocline.services.share.clubs import found_club
from orthocline.wording.cautions import CAUTIONS, GENERAL
from tests.page import parsed, text, words_of

OF_THE_FIELD = (
    *("thunder", "heat", "glare", "backwards", "lift", "trace", "others' line", "caddie", "Rings"),
    *("false cups", "group behind", "pegs or ramps", "tempo beats", "silent pulse", "No read promises"),
)


@pytest.mark.parametrize(
    "endpoint", sorted(set(CAUTIONS) - {"holes.one", "noting.finish", "prints.one", "which_was_it.page"})
)
def test_a_page_says_its_own_at_its_foot(app, signed_in, session, endpoint):
    green = new_green(Viewer(signed_in.golfer), session, Place("Links", "4"), deep_m=20.0, wide_m=20.0)
    club = found_club(Viewer(signed_in.golfer), session, "Links Club")
    rows = {
        "greens.green": {"green_id": green},
        "holes.page": {"green_id": green},
        "clubs.one": {"club_id": club},
    }
    fields = {**rows, **SEEDED}.get(endpoint, {})
    address = app.url_map.bind("").build(endpoint, fields)
    foot = words_of(parsed(signed_in.get(address)).find("footer"))
    assert GENERAL in foot
    assert CAUTIONS[endpoint] in foot


SEEDED = {"laid.page": {"seed": 5}, "stand_in.page": {"seed": 5}}
WHERE = {
    "a practice ramp": ("ramp.page", ("practice greens only", "Kneel", "repair the surface")),
    "a tempo beat": ("beat.page", ("tempo beat", "silent pulse", "ask the committee")),
    "testing the surface": ("speed.page", ("Testing a green's surface", "Repair the surface")),
    "walking a putt": ("slopes.page", ("Walk backwards", "others' lines", "ask the committee")),
    "electronic reading": ("read.page", ("pace of play", "trace the line", "caddie", "no holed putt")),
    "others' balls": ("balls.page", ("Watch others quietly", "behind their line", "exchange no reads")),
    "drills": ("drills.page", ("false cups", "Rings", "group behind", "No target promises")),
    "a chart": ("greens.green", ("no water and no pegs", "only if the rules in force allow it")),
    "the straight putt": ("straight.page", ("Stand round the hole only while nobody putts",)),
    "weather": ("today.page", ("lightning", "heat", "glare")),
    "cards": ("cards.page", ("carried", "promises no holed putt")),
    "a book": ("book.page", ("how large", "by hand", "committee")),
}


@pytest.mark.parametrize("what", WHERE)
def test_each_caution_of_the_field_stands_where_it_applies(what):
    endpoint, words = WHERE[what]
    assert [one for one in words if one not in CAUTIONS[endpoint]] == []
    assert "rules in force" in GENERAL


def test_where_a_ball_is_picked_up_it_is_marked_first(signed_in):
    saved = signed_in.post("/log/note", data={"length": "14 ft"})
    assert CAUTIONS["noting.finish"] in text(signed_in.get(saved.location))
    which = signed_in.get(f"/log/{saved.location.rpartition('=')[2]}/which")
    assert CAUTIONS["which_was_it.page"] in text(which)


def test_the_page_of_cautions_has_all(client):
    page = text(client.get("/cautions"))
    assert [word for word in OF_THE_FIELD if word not in page] == []
