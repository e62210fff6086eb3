"""The core stands alone, and refuses putts outside its ranges."""

import math
import subprocess
import sys

import pytest

from orthocline.core.ground import Plane
from orthocline.core.roll import Point, PuttError, RollPast, read
from orthocline.core.roll.capture import Capture
from tests.putts import plane_putt

DOORS = ("ground", "roll", "speed", "account", "log", "constants", "units", "estimate", "instruments")


def test_core_imports_no_framework():
    code = (
        f"import sys, {', '.join(f'orthocline.core.{door}' for door in DOORS)};"
        "bad = {'flask', 'sqlalchemy', 'jinja2', 'werkzeug', 'click', 'pydantic'} & set(sys.modules);"
        "sys.exit(', '.join(bad) or 0)"
    )
    done = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=False)
    assert done.returncode == 0, done.stderr


@pytest.mark.parametrize(
    ("change", "member"),
    [
        ({"green_speed_ft": 2.0}, "/green_speed_ft"),
        ({"green_speed_ft": math.nan}, "/green_speed_ft"),
        ({"pace": RollPast(-0.1)}, "/pace/past_m"),
        ({"pace": RollPast(6.0)}, "/pace/past_m"),
        ({"surface": Plane(0.3, 0.0)}, "/surface/tilt_percent"),
        ({"hole": Point(0.0, 0.0)}, "/hole_m"),
        ({"ball": Point(math.inf, 0.0)}, "/ball_m/0"),
    ],
)
def test_figures_outside_their_range_are_named(change, member):
    putt = plane_putt(10)
    with pytest.raises(PuttError) as caught:
        type(putt)(**{**vars(putt), **change})
    assert caught.value.member == member


def test_a_ball_drops_up_to_the_capture_speed():
    assert Capture(0.0, 1.62, Point(0, 0)).drops
    assert not Capture(0.0, 1.64, Point(0, 0)).drops
    assert not Capture(0.04, 1.0, Point(0, 0)).drops
    assert not Capture(0.06, None, None).drops


def test_a_putt_too_fast_to_drop_is_read_with_a_warning():
    solved = read(plane_putt(10, past_in=150))
    assert solved.make_window is None
    assert list(solved.warnings) == ["too_fast_to_drop"]
