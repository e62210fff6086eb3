"""The cup entry's hours, and the steps of a putt without numbers."""

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, mood_m, place_m
from orthocline.core.roll import read
from orthocline.core.units import INCH_M
from tests.putts import plane_putt


def of(name, solved):
    return SCHOOLS[name].value(solved, USUAL_GOLFER)


def test_the_entry_is_the_reads_and_so_are_its_first_and_last_hours():
    solved = read(plane_putt(12, side_right=-0.025))
    entry = of("cup_entry", solved)
    assert entry.hours == solved.entry_clock_hours
    assert entry.window_hours == solved.entry_window_hours
    assert entry.window_hours[0] < entry.hours < entry.window_hours[1]
    assert entry.hours < 6.0, "from the right, where it starts"
    assert of("cup_entry", read(plane_putt(10, past_in=177))).window_hours is None


@pytest.mark.parametrize(
    ("side", "past_in", "steps"),
    [
        (0.0, 1, (0, 0)),
        (-0.0015, 6, (1, 1)),
        (0.0035, 12, (-2, 2)),
        (-0.006, 24, (3, 3)),
        (0.02, 12, (-4, 2)),
        (-0.03, 12, (5, 2)),
        (-0.035, 2, (6, 0)),
    ],
)
def test_aims_and_paces_have_their_steps(side, past_in, steps):
    solved = read(plane_putt(10, side_right=side, past_in=past_in))
    felt = of("instinct", solved)
    assert (felt.place, felt.mood) == steps
    near, far = place_m(felt.place)
    assert near <= abs(solved.aim_right_m) < far
    least, most = mood_m(felt.mood)
    assert least <= past_in * INCH_M <= most


def test_a_ball_that_will_not_rest_runs_on():
    solved = read(plane_putt(10, grade=-0.09))
    assert solved.aim.past_m is None
    assert of("instinct", solved).mood == 4
    launch = SCHOOLS["instinct"].launch(solved.putt, (0.0, 4.0), USUAL_GOLFER)
    assert launch.speed_mps == solved.launch_speed_mps
