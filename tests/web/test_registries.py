"""What there will be more of is a registry: a made-up one, in one module, is found everywhere."""

import json

from click.testing import CliRunner
from sqlalchemy import select

from orthocline.cli.main import main
from orthocline.core.calls import SCHOOLS
from orthocline.db.log.models import LoggedPutt
from orthocline.drawing.calls import LAYERS
from orthocline.wording.calls import SAYINGS
from tests.made_up import school

PUTT = {
    "surface": {"kind": "plane", "tilt_percent": 2.1, "downhill_deg": 180.0},
    "ball_m": [0, 0],
    "hole_m": [0, 4.2672],
    "green_speed_ft": 10.2,
    "pace": {"past_m": 0.2286},
}
ASKED = {"length": "14 ft", "side": "2.1 %", "falls": "left", "rise": "0 %", "speed": "10.2", "past": "9 in"}


def test_every_school_has_words_and_no_layer_is_left_over():
    assert set(SAYINGS) == set(SCHOOLS)
    assert set(LAYERS) <= set(SCHOOLS)


def test_a_made_up_school_is_computed_said_drawn_and_logged(monkeypatch, signed_in, session):
    school.add(monkeypatch)
    read = json.loads(CliRunner().invoke(main, ["read", "--json", "-"], input=json.dumps(PUTT)).stdout)
    thumbs = read["aim_right_m"] / school.THUMB_M
    assert read[school.NAME] == thumbs
    page = signed_in.get("/read", query_string=ASKED).text
    assert f"<dt>{'Thumbs'}" in page.replace(
        ' class="border-t border-rule py-1 text-quiet md:py-[0.17rem]"', ""
    )
    assert f"{thumbs:.0f} thumbs" in page
    assert 'data-part="thumbs"' in page
    assert "half the thumbs</text>" in page
    signed_in.post("/log", data=ASKED)
    (logged,) = session.scalars(select(LoggedPutt)).all()
    assert abs(logged.read_document[school.NAME] - thumbs) < 1e-6
