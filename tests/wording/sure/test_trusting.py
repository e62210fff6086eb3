"""What docs/trusting.md says of a felt tilt, and of the others, is what the program says."""

import re
from pathlib import Path

import pytest

from orthocline.core.roll import read
from orthocline.core.sure import Source, Sources, Sureness
from orthocline.wording.read.call import call
from orthocline.wording.wording import USUAL_WORDING
from tests.putts import plane_putt

PAGE = (Path(__file__).parents[3] / "docs/trusting.md").read_text()
SOURCES = {
    "tilt by a level, three places": Sources(side=Source("level_averaged")),
    "tilt by a level": Sources(side=Source("level")),
    "tilt felt, trained": Sources(side=Source("trained_feet")),
    "tilt felt": Sources(side=Source("feet")),
    "tilt seen": Sources(side=Source("eye")),
    "speed ±0.5 ft": Sources(speed_sd_ft=0.25),
    "usual paces": Sources(length=Source("usual_paces")),
    "rise by eye": Sources(rise=Source("rise_by_eye")),
}


@pytest.mark.parametrize("source", SOURCES)
def test_the_page_says_what_the_program_does(source):
    putt = plane_putt(12, side_right=-0.015, grade=-0.005)
    words = call(
        read(putt), USUAL_WORDING, sure=Sureness(read(putt), SOURCES[source].uncertainty(putt)).range
    )
    row = re.search(rf"^\| {re.escape(source)} \| (.*) \| (.*) \|$", PAGE, re.MULTILINE)
    assert row.groups() == (words.spot, words.range)
