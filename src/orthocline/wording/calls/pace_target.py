"""The pace target in words."""

from orthocline.core.calls import PaceTarget
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import NEAR_M, Saying, beyond_hole, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, target: PaceTarget, wording: Wording) -> str:
    if abs(target.beyond_m) < NEAR_M:
        return "the hole: it plays its length"
    where = f"pace it to {beyond_hole(target.beyond_m, wording)}, as on the level"
    extra = target.extra_aim_m
    if extra is None or abs(extra) < NEAR_M:
        return where
    return f"{where}; that takes {wording.aside(extra)} {'more' if extra > 0.0 else 'less'} aim"


SAYING = Saying(titled("Pace target"), _words)
