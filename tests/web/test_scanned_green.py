"""A green that was scanned: a long list of heights makes it, and putts are read on it."""

import json
import math
from urllib.parse import parse_qsl, urlsplit

import numpy as np
import pytest

from orthocline.db.log.models import LoggedPutt
from orthocline.formats.putt_document import LARGEST_BYTES, parse_question
from tests.page import link, parsed, text, words_at


@pytest.fixture
def green(signed_in):
    """The address of a scanned green that falls to its front by 2 %, and to the left by 1 %."""
    size = {"course": "Links", "green": "9", "deep": "20 m", "wide": "24 m"}
    made = signed_in.post("/greens", data=size).location.partition("?")[0]
    at = np.random.default_rng(4).uniform((-12, 0), (12, 20), (700, 2))
    lines = [f"{x:.2f} {y:.2f} {0.02 * y + 0.01 * x:.4f}" for x, y in at]
    kept = signed_in.post(made, data={"tool": "height", "do": "heights", "heights": "\n".join(lines)})
    assert kept.status_code == 303
    return made


def test_a_long_list_of_heights_makes_a_scan_that_can_be_taken_off(signed_in, green):
    page = signed_in.get(green, query_string={"tool": "height"})
    assert "One slope, 2.2 % toward the front left" in words_at(page, "#lead")
    assert "slopes within 0.2 %" in words_at(page, "#scan")
    assert "scanned" in text(signed_in.get("/greens"))
    signed_in.post(green, data={"tool": "height", "do": "unscan"})
    off = signed_in.get(green, query_string={"tool": "height"})
    assert "Nothing read yet" in words_at(off, "#lead")
    assert not parsed(off).select_one("#scan")
    signed_in.post(f"{green}/undo")
    assert "One slope" in words_at(signed_in.get(green), "#lead")


def test_a_putt_on_a_scanned_green_is_read_and_kept_with_the_ground_about_it(signed_in, session, green):
    page = signed_in.get(green, query_string={"tool": "putt", "hole": "12 on", "ball": "6 on"})
    address = link(page, "Read it")
    assert "right of" in words_at(signed_in.get(address), "#headline")
    fields = dict(parse_qsl(urlsplit(address).query))
    assert signed_in.post("/log", data=fields).status_code == 303
    document = session.query(LoggedPutt).one().putt_document
    surface = document["surface"]
    assert surface["readings"] == []
    assert len(surface["scan"]["heights_m"]) * surface["scan"]["spacing_m"] < 22.0
    again = parse_question(json.dumps(document).encode(), LARGEST_BYTES)[0]
    assert again.surface.steepest == pytest.approx(math.hypot(0.02, 0.01), abs=5e-4)
