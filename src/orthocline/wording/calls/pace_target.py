"""The pace target in words."""

from orthocline.core.calls import PaceTarget
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import NEAR_M, Said, Saying, beyond_hole, titled
from orthocline.wording.wording import Wording


def _words(_read: Read, target: PaceTarget, wording: Wording) -> Said:
    if abs(target.beyond_m) < NEAR_M:
        return Said("at the hole", ": it plays its length")
    where = Said(beyond_hole(target.beyond_m, wording), ", as on the level")
    extra = target.extra_aim_m
    if extra is None or abs(extra) < NEAR_M:
        return where
    more = f": {wording.aside(extra)} {'more' if extra > 0.0 else 'less'} aim"
    return where._replace(rest=where.rest + more)


SAYING = Saying(
    titled("Pace target"),
    _words,
    lambda wording: f"{wording.short(0.3048)} past",
    "The pace target tells the pace, nothing of the line.",
    "pace target",
)
