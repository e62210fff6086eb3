"""The page of figures: what it says, what opens, two sets beside each other, and the figures as files."""

import csv
import io
from datetime import UTC, datetime

import numpy as np
import pytest

from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.services.log.putts import Which
from orthocline.web.shared.which_form import which_values
from orthocline.wording.dates import calendar_of
from orthocline.wording.wording import Wording
from tests.logs import some_putts
from tests.page import link, links, parsed, text, values, words_at

FOOT = 0.3048
METRIC = {"units": "metres", "slopes": "percent", "bend": "break", "hand": "right", "eye": "unknown"}


@pytest.fixture
def log(signed_in, session):
    """Forty putts: half of those from nine feet are holed, all of those from three."""
    for i in range(40):
        near = i % 2 == 0
        holed = near or i % 4 == 1
        session.add(
            LoggedPutt(
                golfer_id=signed_in.golfer.id,
                length_m=(3.0 if near else 9.0) * FOOT,
                holed=holed,
                finish_along_m=None if holed else 0.2,
                finish_across_m=None if holed else 0.3,
                breaks_right=1,
                method="eye" if near else "hand_gauge",
                created_at=f"2026-0{1 + i // 10}-15T12:00Z",
            )
        )
    session.commit()
    return signed_in


def row(page, title):
    """Return what the row of a figure says, and the address that it opens."""
    (found,) = (tr for tr in parsed(page).select("#figures tr") if tr.th and tr.th.get_text() == title)
    return " ".join(found.get_text(" ").split()), found.find("a")["href"]


def table(response):
    assert response.mimetype == "text/csv"
    return list(csv.DictReader(io.StringIO(response.text)))


def test_a_figure_has_its_range_its_count_and_its_putts(log):
    page = log.get("/figures")
    said, opens = row(page, "Holed")
    assert said == "Holed 75 % 60 to 86 % 40 putts"
    assert "40 putts, newest first" in text(log.get(opens))
    low, opens = row(page, "Pass on the high side")
    assert "0 %" in low
    assert "10 putts, newest first" in text(log.get(opens))
    assert row(page, "Three-putts from inside 30 ft")[0].endswith("30 greens")


def test_few_putts_are_marked_not_hidden(log):
    few = parsed(log.get("/figures?most=3+ft")).select("#figures tr .few")
    assert len(few) > 3
    assert "100 %" in few[0].get_text()
    assert "88 to 100 %" in few[0].get_text()


def test_bands_and_months_are_drawn_and_open_their_putts(log):
    page = log.get("/figures")
    assert len(parsed(page).select("#bands [data-part=figure]")) == 2
    assert "10 putts" in text(log.get(next(one for one in links(page, "since=2026-02-01"))))
    assert "20 putts" in text(log.get(link(page, "from 8 to 12 ft")))
    assert len(parsed(page).select("#finishes [data-part=finish]")) == 10
    assert "10 misses with a finish" in text(page)


def test_the_last_day_is_the_golfers_also_where_it_has_23_hours():
    said = Wording(calendar=calendar_of("Europe/Oslo"))
    short = Which(until=datetime(2026, 3, 29, 22, tzinfo=UTC))
    long = Which(until=datetime(2026, 10, 25, 23, tzinfo=UTC))
    assert [which_values(one, said)["until"] for one in (short, long)] == ["2026-03-29", "2026-10-25"]


def test_two_methods_stand_beside_each_other_with_how_little_is_proved(log):
    page = log.get("/figures?method=eye&beside=by:hand_gauge")
    said, _ = row(page, "Holed")
    assert "100 %" in said
    assert "beside 50 %" in said
    assert "50 points more" in said
    assert "may be chance" in row(page, "Holed more than a middle-handicap golfer")[0]
    other = log.get("/figures?beside=span&beside_since=2026-02-01&beside_until=2026-02-28")
    assert "beside 10 others" in text(other)
    assert "beside" not in words_at(log.get("/figures?beside=span"), "#figures table")


def test_what_a_figure_opens_is_said_by_the_fields_that_can_change_it(log):
    opens = row(log.get("/figures"), "Holed, breaking right")[1]
    page = log.get(opens)
    said = values(parsed(page).find("form", role="search"))
    assert (said["breaks"], said["result"], said["only"]) == ("breaks_right", "", "known")
    missed = values(parsed(log.get("/log?only=missed,stopped")).find("form", role="search"))
    assert (missed["result"], missed["only"]) == ("", "stopped"), "a link of old is followed as it is"
    assert values(parsed(log.get("/figures?only=stopped&result=missed")).main.form)["result"] == "missed"


def test_a_part_for_htmx_and_units_of_the_golfer(log):
    part = log.get("/figures?breaks=breaks_right&rounds=3", headers={"HX-Request": "true"})
    assert [element["id"] for element in parsed(part).find_all(recursive=False)] == ["figures"]
    assert "Nothing to count yet" in text(part)
    log.post("/measures", data=METRIC)
    assert "Three-putts from inside 9 m" in text(log.get("/figures"))


@pytest.mark.parametrize(
    ("query", "words"),
    [
        ("least=far", "Longer than cannot be read; allowed is a length"),
        ("since=yesterday", "Since is a day, such as"),
        ("rounds=0", "between 1 and 1000"),
        ("only=colour", "no such condition"),
        ("beside=thumbs", "Not a valid choice"),
        ("outing=x", "Not a valid integer"),
    ],
)
def test_what_cannot_be_read_is_said_and_does_not_count(log, query, words):
    page = log.get(f"/figures?{query}")
    assert page.status_code == 200
    assert words in text(page)
    assert "40 putts" in text(page)


def test_the_figures_behind_every_chart_are_taken_along(log):
    held = table(log.get("/figures/figures.csv?method=hand_gauge"))
    assert {one["figure"]: one["value"] for one in held}["holed"] == "0.5"
    bands = table(log.get("/figures/lengths.csv"))
    assert sum(int(one["holed_rests_on"]) for one in bands) == 40
    assert [one["month"] for one in table(log.get("/figures/months.csv"))] == [
        f"2026-0{month}" for month in (1, 2, 3, 4)
    ]
    assert len(table(log.get("/figures/finishes.csv"))) == 10
    assert table(log.get("/figures/starts.csv")) == []
    assert [one["method"] for one in table(log.get("/figures/methods.csv"))] == ["eye", "hand_gauge"]
    assert log.get("/figures/colours.csv").status_code == 404


def test_an_empty_log_says_what_to_do_first(signed_in):
    page = signed_in.get("/figures")
    assert "Nothing to count yet" in text(page)
    assert link(page, "Note a putt") == "/log/note"


def test_whatever_is_in_a_log_its_page_stands(signed_in, session):
    outing = Outing(golfer_id=signed_in.golfer.id, kind="round")
    session.add(outing)
    session.flush()
    rows = some_putts(np.random.default_rng(3), 120, [outing.id])
    session.add_all(LoggedPutt(golfer_id=signed_in.golfer.id, **row) for row in rows)
    session.commit()
    for query in ("", "?beside=practice", f"?outing={outing.id}&beside=month", "?most=2+in"):
        page = signed_in.get(f"/figures{query}")
        assert page.status_code == 200
        assert "nan" not in text(page)
        assert "None" not in words_at(page, "#figures")
