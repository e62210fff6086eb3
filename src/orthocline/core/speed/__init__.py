"""Green speed and pace: ramp, rolls, timed putts, strokes, tuning putts, ageing, the beat."""

from orthocline.core.speed.ageing import STALE_H, aged
from orthocline.core.speed.beat import BACK_RANGE_S, BEAT_RANGE_S, Beat, Tempo, tempo_beat
from orthocline.core.speed.day import DayEffect
from orthocline.core.speed.method import Figure, FindingError, Findings, Quantity, SpeedMethod
from orthocline.core.speed.methods import METHODS
from orthocline.core.speed.posted import posted_speed
from orthocline.core.speed.ramp import (
    RAMP_RANGES,
    STANDARD_RAMP,
    Groove,
    Ramp,
    Rods,
)
from orthocline.core.speed.ramp_rolls import (
    ROLL_RANGE_M,
    OneWay,
    RampSpeed,
    across_share,
    level_speed_m,
    one_way,
    speed_from_rolls,
)
from orthocline.core.speed.simulated_ramp import (
    HIDDEN_RANGES,
    HiddenGreen,
    setting_up,
    simulated_roll_m,
    some_green,
)
from orthocline.core.speed.stroke import (
    StrokePutt,
    stroke_length_m,
    stroke_rate,
)
from orthocline.core.speed.trueness import Trueness, trueness_of
from orthocline.core.speed.tuning_putts import FIGURES as TUNING_FIGURES
from orthocline.core.speed.tuning_putts import TuningScore, score_tuning_putts

__all__ = [
    "BACK_RANGE_S",
    "BEAT_RANGE_S",
    "HIDDEN_RANGES",
    "METHODS",
    "RAMP_RANGES",
    "ROLL_RANGE_M",
    "STALE_H",
    "STANDARD_RAMP",
    "TUNING_FIGURES",
    "Beat",
    "DayEffect",
    "Figure",
    "FindingError",
    "Findings",
    "Groove",
    "HiddenGreen",
    "OneWay",
    "Quantity",
    "Ramp",
    "RampSpeed",
    "Rods",
    "SpeedMethod",
    "StrokePutt",
    "Tempo",
    "Trueness",
    "TuningScore",
    "across_share",
    "aged",
    "level_speed_m",
    "one_way",
    "posted_speed",
    "score_tuning_putts",
    "setting_up",
    "simulated_roll_m",
    "some_green",
    "speed_from_rolls",
    "stroke_length_m",
    "stroke_rate",
    "tempo_beat",
    "trueness_of",
]
