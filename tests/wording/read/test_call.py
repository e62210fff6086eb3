"""The call's sentences against measures of their own, on putts turned and moved off the origin."""

import math
import re
from dataclasses import replace

import pytest

from orthocline.core.ground import Plane
from orthocline.core.roll import Launch, Point, capture_of, read, roller
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.wording.read.call import call
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Wording
from tests.putts import plane_putt

METRIC = Wording(Units(metric=True, degrees=True))
CUP_ACROSS_IN = 4.25


def moved(turned, **slopes):
    """A putt of ten feet with its ball at (5, -3), turned so far."""
    putt = plane_putt(10, **slopes)
    hole = Point(5.0 + 10 * FOOT_M * math.cos(turned), -3.0 + 10 * FOOT_M * math.sin(turned))
    ground = Plane(putt.surface.tilt, putt.surface.downhill_rad + turned)
    return replace(putt, ball=Point(5.0, -3.0), hole=hole, surface=ground)


TURNS = [0.0, 2.0, -1.2]


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize(
    ("side_right", "words"),
    [
        (-0.02, "Outside the right edge"),
        (0.02, "Outside the left edge"),
        (-0.0015, "Inside the right edge"),
        (0.0015, "Inside the left edge"),
    ],
)
def test_the_edge_is_half_a_cup_from_the_centre(turned, side_right, words):
    solved = read(moved(turned, side_right=side_right))
    aim_in = abs(solved.aim_right_m) / INCH_M
    (edge,) = [detail for detail in call(solved, METRIC).details if "edge" in detail]
    assert edge.startswith(words)
    by_cm = float(re.search(r"by (\d+) cm", edge)[1])
    assert by_cm == pytest.approx(2.54 * abs(aim_in - CUP_ACROSS_IN / 2), abs=0.51)


@pytest.mark.parametrize("turned", TURNS)
@pytest.mark.parametrize("side_right", [-0.02, 0.03])
def test_what_is_said_to_drop_drops_and_a_little_more_does_not(turned, side_right):
    solved = read(moved(turned, side_right=side_right, grade=-0.01))
    (line,) = [line for line in call(solved, USUAL_WORDING).lines if line.title == "Drops within"]
    left, right, soft, firm = (float(figure) for figure in re.findall(r"[\d.]+", line.words))
    roll, launch = roller(solved.putt, solved.aim), solved.aim.launch

    def drops(degrees_right=0.0, percent=0.0):
        turn = math.radians(degrees_right)
        tried = Launch(launch.right_rad + turn, launch.speed_mps * (1 + percent / 100))
        return capture_of(roll(tried), solved.putt.hole).drops

    rounding = 0.11
    for way, edge in ((-1, left), (1, right)):
        assert drops(degrees_right=way * (edge - rounding))
        assert not drops(degrees_right=way * (edge + rounding))
    for way, edge in ((-1, soft), (1, firm)):
        assert drops(percent=way * (edge - rounding))
        assert not drops(percent=way * (edge + rounding))
