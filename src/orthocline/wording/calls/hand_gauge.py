"""The hand gauge in words: the golfer's fingers, and how the rule of a finger for a percent does here."""

from orthocline.core.calls import HandGauge
from orthocline.core.roll import Read
from orthocline.wording.calls.saying import Said, Saying, against_aim, fingers_words, titled
from orthocline.wording.figures import quarters, side
from orthocline.wording.wording import Wording


def _words(read: Read, hand: HandGauge | None, wording: Wording) -> Said | None:
    if hand is None:
        return None
    aim = read.aim_right_m or 0.0
    said = f", {hand.eye and f'{hand.eye} '}eye to hand {wording.short(hand.arm_m)}"
    if quarters(hand.rule) == "0":
        return Said(fingers_words(hand.fingers), said)
    by_rule, straight = (
        against_aim(right_m - aim, aim, wording) for right_m in (hand.rule_right_m, hand.straight_right_m)
    )
    count = f"{quarters(abs(hand.rule))} {side(hand.rule)}"
    rule = f". A finger a percent, {count}: {by_rule}; arm straight: {straight}"
    return Said(fingers_words(hand.fingers), f"{said}{rule}")


SAYING = Saying(
    titled("Hand gauge"),
    _words,
    lambda _: "2 fingers left",
    "A finger for a percent knows the tilt, not the pace, the rise or the ground in between.",
    "hand gauge",
)
