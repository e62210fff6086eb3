"""What there will be more of is a registry: a made-up one, in one module, is found everywhere."""

import json
import re

import numpy as np
import pytest
from click.testing import CliRunner
from sqlalchemy import select

from orthocline.cli.main import main
from orthocline.core.calls import SCHOOLS
from orthocline.core.ground import Grid
from orthocline.core.instruments import INSTRUMENTS
from orthocline.core.roll import read
from orthocline.core.roll.warming import KINDS
from orthocline.core.speed import METHODS
from orthocline.core.survey import Survey
from orthocline.db.log.models import LoggedPutt
from orthocline.db.speed.models import SpeedNote
from orthocline.drawing.calls import LAYERS
from orthocline.drawing.speed.method_marks import METHOD_MARKS
from orthocline.formats.putt_document import putt_of
from orthocline.formats.surface_parts import SURFACES
from orthocline.services.account.access import Viewer
from orthocline.services.ground.places import Place
from orthocline.services.log.noting import save_read
from orthocline.wording.calls import SAYINGS
from orthocline.wording.instruments import INSTRUMENT_WORDS
from orthocline.wording.speed.methods import METHOD_WORDS
from tests.made_up import instrument, method, school, surface
from tests.page import drawn, parsed, text, words_of

PUTT = {
    "surface": {"kind": "plane", "tilt_percent": 2.1, "downhill_deg": 180.0},
    "ball_m": [0, 0],
    "hole_m": [0, 4.2672],
    "green_speed_ft": 10.2,
    "pace": {"past_m": 0.2286},
}
ASKED = {"length": "14 ft", "side": "2.1 %", "falls": "left", "rise": "0 %", "speed": "10.2", "past": "9 in"}


def test_everything_listed_has_words_and_no_drawing_is_left_over():
    assert set(SAYINGS) == set(SCHOOLS)
    assert set(LAYERS) <= set(SCHOOLS)
    assert set(METHOD_WORDS) == set(METHODS)
    rolled_on = {Survey: Grid}
    grounds = {rolled_on.get(kind.ground, kind.ground) for kind in SURFACES.values()}
    assert {type(kind) for kind in KINDS} == grounds
    assert set(METHOD_MARKS) <= set(METHODS)
    assert set(INSTRUMENT_WORDS) == set(INSTRUMENTS)
    for name, one in METHODS.items():
        assert set(METHOD_WORDS[name].figures) == {figure.name for figure in one.figures}


def test_a_made_up_school_is_computed_said_drawn_and_logged(monkeypatch, signed_in, session):
    school.add(monkeypatch)
    read = json.loads(CliRunner().invoke(main, ["read", "--json", "-"], input=json.dumps(PUTT)).stdout)
    thumbs = read["aim_right_m"] / school.THUMB_M
    assert read[school.NAME] == thumbs
    school.add_part(monkeypatch, signed_in.application)
    page = signed_in.get("/read", query_string=ASKED | {"light": school.NAME})
    assert "measured with your own thumb" in text(page)
    (call,) = parsed(page).select(f"#rest .calls button[value={school.NAME}]")
    assert words_of(call) == f"Thumbs {thumbs:.0f} thumbs, laid side by side"
    assert drawn(page, "thumbs")
    assert "half the thumbs" in [words_of(label) for label in parsed(page).find_all("text")]
    signed_in.post("/log", data=ASKED)
    (logged,) = session.scalars(select(LoggedPutt)).all()
    assert abs(logged.read_document[school.NAME] - thumbs) < 1e-6


def test_a_made_up_way_of_measuring_is_computed_said_drawn_and_kept(monkeypatch, signed_in, session):
    method.add(monkeypatch)
    found = {"by": method.NAME, "heights": ["1 m", "1.1 m", "1.05 m"]}
    response = signed_in.get("/speed/without-a-ramp", query_string=found)
    page = text(response)
    assert "Speed 10.5," in page
    assert "From 3 bounces." in page
    assert "Bounce: 10.5" in page, "on the scale"
    signed_in.post("/speed/without-a-ramp", data=found | {"course": "Ternholm Links"})
    (kept,) = session.scalars(select(SpeedNote)).all()
    assert (kept.method, round(kept.speed_ft, 1)) == (method.NAME, 10.5)
    book = signed_in.get("/speed")
    assert "bounced ball" in text(book)
    assert len(drawn(book, "bounce")) == 2, "in the trend and in its key"
    assert "by bounce," in text(signed_in.get("/read"))


def test_a_made_up_instrument_is_computed_said_drawn_and_kept(monkeypatch, signed_in, session):
    instrument.add(monkeypatch)
    rolls = {"out": ["9 ft", "9 ft 1 in", "9 ft"], "level": "0.5 %", "level_way": "up"}

    def width(page):
        ways = [way["d"] for way in parsed(page).find_all("path", fill=re.compile("^url"))]
        (band,) = [re.match(r"M([\d.]+) 304L([\d.]+) 304", way) for way in ways]
        return float(band[2]) - float(band[1])

    pages = {
        name: signed_in.get("/speed/ramp", query_string=rolls | {"level_with": name})
        for name in ("level_averaged", instrument.NAME)
    }
    assert "a dish of soup" in text(pages[instrument.NAME])
    assert width(pages[instrument.NAME]) > 1.5 * width(pages["level_averaged"]), "less sure"
    both = rolls | {"back": ["10 ft", "10 ft 1 in", "10 ft"], "level_with": instrument.NAME}
    assert "The soup agrees with the rolls" in text(signed_in.get("/speed/ramp", query_string=both))
    signed_in.post("/speed/ramp", data=both | {"course": "Ternholm Links"})
    assert session.scalars(select(SpeedNote)).one().evidence["choices"]["level_with"] == "soup"


def test_a_made_up_kind_of_ground_is_solved_drawn_and_logged(monkeypatch, signed_in, session, tmp_path):
    surface.add(monkeypatch)
    trough = {"kind": surface.NAME, "radius_m": 60.0}
    asked = PUTT | {"surface": trough, "ball_m": [0, -1.5], "hole_m": [4, 1.0]}
    x, y = np.meshgrid(np.arange(-4.0, 12.0, 0.25), np.arange(-6.0, 6.0, 0.25))
    grid = {"kind": "grid", "origin_m": [-4.0, -6.0], "spacing_m": 0.25}
    on_grid = read(putt_of(asked | {"surface": grid | {"heights_m": (y**2 / 120.0 + 0 * x).tolist()}}))
    drawing = tmp_path / "trough.svg"
    arguments = ["read", "--json", "--drawing", str(drawing), "-"]
    solved = json.loads(CliRunner().invoke(main, arguments, input=json.dumps(asked)).stdout)
    assert solved["aim_right_m"] == pytest.approx(on_grid.aim_right_m, abs=5e-4)
    assert abs(solved["aim_right_m"]) > 0.02
    assert 'data-part="way"' in drawing.read_text(encoding="utf-8")
    putt = save_read(Viewer(signed_in.golfer), session, read(putt_of(asked)), place=Place("The trough"))
    session.commit()
    assert putt.putt_document["surface"] == trough
    assert "The trough" in text(signed_in.get("/log"))
    assert signed_in.get(f"/log/{putt.id}/finish").status_code == 200
    wrong = json.dumps(asked | {"surface": trough | {"radius_m": 0.1}})
    assert (
        "/surface/radius_m: must be at least 1" in CliRunner().invoke(main, ["read", "-"], input=wrong).stderr
    )
