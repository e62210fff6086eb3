"""The demo's looks at three putts of Ternholm, as addresses of the walk."""

from dataclasses import replace
from typing import NamedTuple
from urllib.parse import urlencode

from orthocline.core.instruments import FIRST_LOOK
from orthocline.core.sure import Source
from orthocline.services.demo.looks import LOOKS
from orthocline.web.shared.read_request import request_of
from orthocline.web.shared.read_value import Known
from orthocline.web.shared.readings import Noted
from orthocline.wording.wording import Wording

GLANCE = Known(side=Source(FIRST_LOOK), rise=Source(FIRST_LOOK))
"""Of tilt and rise nothing is known but what a glance says."""


class DemoLook(NamedTuple):
    """A look to be taken up: where, what is there to see, and its address."""

    title: str
    what: str
    address: str


def demo_looks(wording: Wording) -> list[DemoLook]:
    """Return the looks, in the golfer's units."""
    found = []
    for one in LOOKS:
        asked = request_of(one.putt, wording, one.place)
        noted = tuple(Noted(reading, wording.units.slope) for reading in one.readings)
        fields = replace(asked, noted=noted, known=GLANCE).exact
        title = f"{one.place.text}, {wording.far(one.putt.length_m)}"
        found.append(DemoLook(title, one.what, f"/look?{urlencode({**fields, 'stop': 'ball'})}"))
    return found
