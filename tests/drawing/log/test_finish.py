"""Where putts finished, large to tap on and small beside their words."""

import pytest

from orthocline.core.log import Finish
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.drawing.log.finish import target
from orthocline.drawing.log.small_finish import small_finish
from orthocline.drawing.scene import Disc, Words
from orthocline.wording.units import Units
from orthocline.wording.wording import Wording


@pytest.mark.parametrize("metric", [False, True])
@pytest.mark.parametrize(("along", "across"), [(0.05, 0.0), (0.6, -0.4), (-2.0, 3.0), (0.45, 0.45)])
def test_the_finish_lies_to_scale_and_its_rings_names_keep_clear_of_it(metric, along, across):
    drawn = target(Finish(along, across), "", Wording(Units(metric)))
    dot = drawn.scene.item("finish-dot")
    per_metre = drawn.scene.data["per-near"] / (0.01 if metric else INCH_M)
    assert (dot.at.x - 300.0) / per_metre == pytest.approx(across, abs=0.001)
    assert (300.0 - dot.at.y) / per_metre == pytest.approx(along, abs=0.001)
    radii = [ring.radius for ring in drawn.scene.items_named("ring")]
    names = [one.text for one in drawn.scene.items if isinstance(one, Words) and one.text[0].isdigit()]
    unit_m = 1.0 if metric else FOOT_M
    assert radii == pytest.approx([float(name.split()[0]) * unit_m * per_metre for name in names])


@pytest.mark.parametrize(("along", "across"), [(0.3, -0.2), (9.0, 0.0), (0.0, 0.0)])
def test_the_small_finish_lies_as_the_ball_does_and_stays_on_its_sheet(along, across):
    drawn = small_finish(False, Finish(along, across), "9 in past")
    dot = [one for one in drawn.items if isinstance(one, Disc)][-1]
    right, up = dot.at.x - 28.0, 28.0 - dot.at.y
    assert (right, up) == pytest.approx((0.0, 23.0) if along > 1.5 else (across * 46 / 3, along * 46 / 3))
    assert len(small_finish(None, None, "").items) == 3, "the cup, and a ring for what is not known"
