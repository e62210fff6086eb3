"""Files of greens on pages: given, looked at, kept; a green written; what is refused, cancelled, swept."""

import io
import json
import math
from dataclasses import replace
from datetime import timedelta

import pytest
from sqlalchemy import func, select
from sqlalchemy import text as sql

from orthocline.db.ground.models import Green, GreenScan
from orthocline.db.jobs.models import FilePiece, GivenFile, Job, JobPiece
from orthocline.formats.green_files.registry import FORMATS
from orthocline.services.ground import green_import
from orthocline.services.jobs import files, jobs
from tests.conftest import PASSWORD
from tests.formats.green_files import made
from tests.formats.green_files.hostile import FILES
from tests.page import link, parsed, text, value, words_at

NAMES = {"course": "Links", "green": "green 9"}


def counted(session, *kinds):
    session.expire_all()
    return [session.scalar(select(func.count()).select_from(kind)) for kind in kinds]


def give(client, path, address="/greens/files", **fields):
    with path.open("rb") as file:
        return client.post(address, data={**NAMES, **fields, "file": (file, path.name)})


@pytest.fixture
def work(sessions):
    """Do the job of a page, and return its address."""

    def done(answer):
        assert answer.status_code == 303, text(answer)
        jobs.carry_out(sessions, int(answer.location.rpartition("/")[2]))
        return answer.location

    return done


@pytest.fixture
def understood(signed_in, work, tmp_path):
    """The address of a grid that was understood."""
    return work(give(signed_in, made.ascii_grid(tmp_path / "nine.asc")))


def test_nothing_is_kept_before_it_was_looked_at(signed_in, session, understood):
    page = signed_in.get(understood)
    assert "ridge" in words_at(page, "#lead")
    facts = words_at(page, "#facts")
    for told in ("2,385 cells every 0.5 metres", "no coordinate system", "taken as metres", "5.4 % steep"):
        assert told in facts
    assert counted(session, Green, GreenScan) == [0, 0]
    kept = signed_in.post(f"{understood}/keep")
    green = signed_in.get(kept.location)
    assert "Charted from nine.asc" in text(green)
    assert "ridge" in words_at(green, "#lead")
    assert not parsed(green).select_one("#next"), "what a scan knows better than an arrow is not asked for"
    assert counted(session, Green, GreenScan, GivenFile, FilePiece) == [1, 1, 0, 0]


def test_what_is_said_of_it_is_read_again(signed_in, work, understood):
    page = signed_in.get(understood)
    assert value(page, "middle") == "565012.00, 5930010.00"
    said = {"system": "25832", "up": "70 deg", "deep": "16 m", "wide": "20 paces", "height_unit": "feet"}
    again = work(signed_in.post(understood, data=said))
    page = signed_in.get(again)
    assert "ETRS89 / UTM zone 32N, as you say" in words_at(page, "#facts")
    assert "taken as feet" in words_at(page, "#facts")
    assert "1.6 % steep" in words_at(page, "#facts")
    assert (value(page, "system"), value(page, "up"), value(page, "deep")) == ("25832", "70 deg", "16 m")


def test_other_units_let_go_of_the_middle_that_was_shown(signed_in, work, understood):
    shown = value(signed_in.get(understood), "middle")
    again = work(signed_in.post(understood, data={"unit": "feet", "middle": shown}))
    east, _north = (float(one) for one in value(signed_in.get(again), "middle").split(", "))
    assert east == pytest.approx(0.3048 * (made.EAST + 12.0), abs=0.1)
    assert "lie on the green" in words_at(signed_in.get(again), "#facts")


def test_what_is_kept_twice_is_kept_once(signed_in, session, understood):
    key = {"key": "9f0d9c4e-1f9c-4b62-9c9e-0f3f1f2f6a10"}
    first, second = (signed_in.post(f"{understood}/keep", data=key) for _ in range(2))
    assert (first.status_code, second.status_code) == (303, 303)
    assert first.location == second.location
    assert counted(session, Green, GreenScan) == [1, 1]


def test_the_middle_is_tapped_on_the_picture_of_the_whole_file(signed_in, work, understood):
    picture = signed_in.get(f"{understood}/overview.svg")
    assert picture.mimetype == "image/svg+xml"
    assert "north up" in picture.text
    again = work(
        signed_in.post(understood, data={"tap.x": "144", "tap.y": "100", "deep": "8 m", "wide": "8 m"})
    )
    east, north = (float(one) for one in value(signed_in.get(again), "middle").split(", "))
    assert east == pytest.approx(made.EAST + 12.0, abs=0.6)
    assert north > made.NORTH + 10.0
    for odd in ({"tap.x": "-5", "tap.y": "9"}, {"tap.x": "here", "tap.y": "9"}):
        assert signed_in.post(understood, data=odd).status_code == 303


@pytest.mark.parametrize(
    ("field", "typed", "says"),
    [
        ("system", "Gauss", "EPSG number"),
        ("up", "sideways", "Play comes in"),
        ("middle", "the pin", "two figures"),
        ("middle", "1e12, 3", "nowhere"),
        ("deep", "900 m", "from 3 to 50 m"),
        ("unit", "furlongs", "no unit"),
    ],
)
def test_what_cannot_be_said_of_a_file_is_said_beside_its_field(signed_in, understood, field, typed, says):
    refused = signed_in.post(understood, data={field: typed})
    assert refused.status_code == 422
    assert says in words_at(refused, f"#{field}-message")
    assert field == "unit" or value(refused, field) == typed


def test_a_file_is_added_to_a_green_and_comes_out_again(signed_in, work, understood, tmp_path):
    green = signed_in.post(f"{understood}/keep").location
    added = work(give(signed_in, made.geojson(tmp_path / "more.geojson", count=1500), f"{green}/files"))
    assert "The chart has 1 pin and 1 reading." in words_at(signed_in.get(added), "#facts")
    assert signed_in.post(f"{added}/keep").location == green
    page = signed_in.get(f"{green}/files")
    assert all(one.title in text(page) for one in FORMATS.values())
    for kind, begins in (("geojson", b'{"type"'), ("png", b"\x89PNG"), ("laz", b"LASF"), ("svg", b"<svg")):
        job = work(signed_in.post(f"{green}/files/{kind}"))
        file = signed_in.get(link(signed_in.get(job), "Take the file"), buffered=True)
        assert file.data.startswith(begins)
        assert f"filename=green-9{FORMATS[kind].suffixes[0]}" in file.headers["Content-Disposition"]
    assert signed_in.post(f"{green}/files/doc").status_code == 404


def test_a_green_without_ground_says_what_cannot_be_written(signed_in, work):
    size = {"deep": "20 m", "wide": "24 m"}
    green = signed_in.post("/greens", data={**NAMES, **size}).location.partition("?")[0]
    job = work(signed_in.post(f"{green}/files/geotiff"))
    assert "no heights to write" in text(signed_in.get(job))


@pytest.mark.parametrize("name", ["cut.tif", "a thousand million points.las", "words.xyz", "a list.geojson"])
def test_a_file_that_lies_is_refused_on_the_page(signed_in, session, work, tmp_path, name):
    (tmp_path / name).write_bytes(FILES[name])
    page = signed_in.get(work(give(signed_in, tmp_path / name)))
    assert page.status_code == 200
    assert words_at(page, "#why").endswith(".")
    assert counted(session, JobPiece, Green) == [0, 0]


@pytest.mark.parametrize(
    ("name", "content", "says"),
    [
        ("notes.doc", b"words", "not known here"),
        ("map.png", b"picture", "only written here"),
        ("empty.xyz", b"", "empty"),
        ("long.geojson", b" " * 2000, "up to 0 MB"),
    ],
)
def test_what_is_no_file_of_a_green_is_not_taken_in(
    signed_in, session, tmp_path, monkeypatch, name, content, says
):
    monkeypatch.setitem(FORMATS, "geojson", replace(FORMATS["geojson"], largest_bytes=1000))
    (tmp_path / name).write_bytes(content)
    refused = give(signed_in, tmp_path / name)
    assert refused.status_code == 422
    assert says in words_at(refused, "#file-message")
    assert value(refused, "green") == "green 9"
    assert counted(session, GivenFile, FilePiece, Job) == [0, 0, 0]


def test_a_file_without_a_green_or_none_at_all_is_asked_for(signed_in, tmp_path):
    path = made.xyz(tmp_path / "a.xyz", count=4000)
    assert "Name the green" in words_at(give(signed_in, path, green=""), "#green-message")
    assert "Choose a file" in words_at(signed_in.post("/greens/files", data=NAMES), "#file-message")


def test_the_same_form_sent_twice_is_one_file(signed_in, session, tmp_path):
    key = {"key": "9f0d9c4e-1f9c-4b62-9c9e-0f3f1f2f6a10"}
    path = made.xyz(tmp_path / "a.xyz", count=4000)
    first, second = (give(signed_in, path, **key).location for _ in range(2))
    assert first == second
    assert counted(session, GivenFile, Job) == [1, 1]


def test_cancelled_in_the_middle_nothing_is_left(signed_in, session, sessions, tmp_path, monkeypatch):
    asked = give(signed_in, made.las(tmp_path / "a.laz", 60_000)).location
    number = int(asked.rpartition("/")[2])
    shares = []

    def slowly(*given):
        for step in understand(*given):
            shares.append(step)
            if len(shares) == 1:
                signed_in.post(f"/jobs/{number}/cancel")
            yield step

    understand = green_import.understand
    monkeypatch.setattr(green_import, "understand", slowly)
    monkeypatch.setattr(jobs, "PIECE_S", 0.0)
    jobs.carry_out(sessions, number)
    assert len(shares) == 1, "the reading is ended at once"
    assert counted(session, GivenFile, FilePiece, JobPiece, Green) == [0, 0, 0, 0]
    assert "It was cancelled" in text(signed_in.get(asked))


def test_what_is_left_is_gone_at_once(signed_in, session, understood):
    assert signed_in.post(f"{understood}/leave").location == "/greens"
    assert counted(session, GivenFile, FilePiece, Job, JobPiece) == [0, 0, 0, 0]
    assert signed_in.get(understood).status_code == 404


def test_files_go_after_a_day(signed_in, session, sessions, understood):
    assert counted(session, GivenFile) == [1]
    day = {"day": timedelta(days=1, hours=1)}
    session.execute(sql("UPDATE jobs SET asked_at = asked_at - :day"), day)
    session.execute(sql("UPDATE given_files SET given_at = given_at - :day"), day)
    session.commit()
    jobs.sweep(sessions)
    assert counted(session, GivenFile, FilePiece, Job) == [0, 0, 0]
    assert signed_in.get(understood).status_code == 404


def test_a_file_that_is_gone_is_said_to_be(signed_in, session, understood):
    session.execute(sql("DELETE FROM given_files"))
    session.commit()
    page = signed_in.get(understood)
    assert page.status_code == 404
    assert "files are kept for a day" in text(page)
    assert signed_in.post(understood, data={}).status_code == 404


def test_so_many_files_at_once_and_no_more(signed_in, tmp_path, monkeypatch):
    monkeypatch.setattr(files, "MOST_FILES", 1)
    path = made.xyz(tmp_path / "a.xyz", count=4000)
    assert give(signed_in, path).status_code == 303
    assert "kept at once" in words_at(give(signed_in, path), "#file-message")


def test_a_neighbour_sees_nothing_of_it(signed_in, client, create_golfer, understood):
    green = signed_in.post(f"{understood}/keep").location
    client.post("/sign-out")
    create_golfer("Idris")
    client.post("/sign-in", data={"name": "Idris", "password": PASSWORD})
    for address in (understood, f"{understood}/overview.svg", f"{green}/files"):
        assert client.get(address).status_code == 404
    for address in (
        understood,
        f"{understood}/keep",
        f"{understood}/leave",
        f"{green}/files/laz",
        f"{green}/files",
    ):
        assert client.post(address, data={"file": (io.BytesIO(b"1 2 3"), "a.xyz")}).status_code == 404


def test_in_competition_files_of_greens_are_off(signed_in, understood):
    signed_in.post("/mode", data={"mode": "competition"})
    for address in ("/greens/files", understood):
        assert signed_in.get(address).status_code == 403
    assert signed_in.post(f"{understood}/keep").status_code == 403


def test_strangers_send_no_large_file(client):
    held = {"file": (io.BytesIO(b"7" * 300_000), "a.xyz"), **NAMES}
    assert client.post("/greens/files", data=held).status_code in (302, 401, 413)


def test_a_chart_goes_from_one_golfer_to_another(signed_in, work, understood, tmp_path, session):
    green = signed_in.post(f"{understood}/keep").location
    job = work(signed_in.post(f"{green}/files/chart"))
    path = tmp_path / "nine.json"
    path.write_bytes(signed_in.get(link(signed_in.get(job), "Take the file"), buffered=True).data)
    told = json.loads(path.read_text())
    assert told["chart"]["scan"]["spacing_m"] == pytest.approx(0.25, abs=0.02)
    again = work(give(signed_in, path, green="a copy"))
    assert "ridge" in words_at(signed_in.get(again), "#lead")
    assert not parsed(signed_in.get(again)).select_one("input[type=image]")
    copy = signed_in.post(f"{again}/keep").location
    assert copy != green
    assert math.isclose(counted(session, GreenScan)[0], 2)
