"""The schools there are, in the order in which a read gives them."""

from orthocline.core.calls import (
    aim_spot,
    apex,
    beat_mark,
    cup_entry,
    curve_gate,
    fall_line_dial,
    hand_gauge,
    instinct,
    level_twin,
    pace_target,
    plumb_line,
    start_spot,
    stroke,
)
from orthocline.core.calls.school import School

SCHOOLS: dict[str, School] = {
    module.SCHOOL.name: module.SCHOOL
    for module in (
        *(aim_spot, curve_gate, pace_target, cup_entry, apex, level_twin, fall_line_dial),
        *(hand_gauge, plumb_line, beat_mark, stroke, start_spot, instinct),
    )
}
"""By name. One more is one more module; its words and its layer go by the same name."""
