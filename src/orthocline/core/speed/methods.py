"""The ways of measuring green speed, in the order in which they are offered."""

from orthocline.core.speed import posted, ramp_rolls, stroke, timed
from orthocline.core.speed.method import SpeedMethod

METHODS: dict[str, SpeedMethod] = {
    method.METHOD.name: method.METHOD for method in (ramp_rolls, posted, timed, stroke)
}
"""By name. One more is one more module; its words and its mark go by the same name."""
