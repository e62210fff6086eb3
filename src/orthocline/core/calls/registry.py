"""The schools there are, in the order in which a read gives them."""

from orthocline.core.calls import (
    aim_spot,
    apex,
    beat_mark,
    curve_gate,
    fall_line_dial,
    level_twin,
    pace_target,
    start_spot,
    stroke,
)
from orthocline.core.calls.school import School

SCHOOLS: dict[str, School] = {
    module.SCHOOL.name: module.SCHOOL
    for module in (
        *(level_twin, pace_target, beat_mark, stroke, aim_spot, curve_gate, apex, start_spot),
        fall_line_dial,
    )
}
"""By name. One more is one more module; its words and its layer go by the same name."""
