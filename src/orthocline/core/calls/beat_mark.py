"""The beat mark: how far along its way the ball is one beat after it leaves the face."""

import math
from dataclasses import dataclass

import numpy as np

from orthocline.core.calls.school import GolferFigures, School
from orthocline.core.constants import FACE_FRICTION, GRAVITY_MPS2
from orthocline.core.roll import Read, rolling_deceleration_mps2


@dataclass(frozen=True)
class BeatMark:
    """Where the ball passes, how far along its way [m], and how long after the strike [s]."""

    along_m: float
    after_s: float


@dataclass(frozen=True)
class Slide:
    """The slide before the ball rolls.

    Attributes
    ----------
    face_speed_mps : float
        Speed off the face, without spin.
    distance_m, duration_s : float
        How far and how long it slides.
    """

    face_speed_mps: float
    distance_m: float
    duration_s: float


def slide(launch_speed_mps: float, drag_mps2: float) -> Slide:
    """Return the slide that ends in the same total roll as a pure roll from `launch_speed_mps`.

    v_f = v0 / sqrt(25/49 + 24 d / (49 mu g)); it slides 12 v_f^2/(49 mu g) in 2 v_f/(7 mu g), until it
    rolls at 5/7 v_f.

    Parameters
    ----------
    launch_speed_mps : float
        Launch (rolling) speed [m/s].
    drag_mps2 : float
        Rolling deceleration [m/s^2].

    Returns
    -------
    Slide
        Speed off the face, length and duration of the slide.
    """
    grip = FACE_FRICTION * GRAVITY_MPS2
    face = launch_speed_mps / math.sqrt(25.0 / 49.0 + 24.0 * drag_mps2 / (49.0 * grip))
    return Slide(face, 12.0 * face**2 / (49.0 * grip), 2.0 * face / (7.0 * grip))


def beat_mark_of(read: Read, golfer: GolferFigures) -> BeatMark | None:
    """Return where the ball passes one beat after the strike; None if it is at rest by then.

    After the slide the ball moves as the pure roll does from the same place, only some hundredths of a
    second ahead of it: the slope under the slide is neglected, which costs up to
    0.65 % of the mark on a steep slope.

    Parameters
    ----------
    read : Read
        The solved putt.
    golfer : GolferFigures
        Whose beat it is.

    Returns
    -------
    BeatMark or None
        The path length with the slide included, and when; or None.
    """
    track, drag_mps2 = read.track, rolling_deceleration_mps2(read.putt.green_speed_ft)
    slid = slide(read.launch_speed_mps, drag_mps2)
    when_rolled = float(np.interp(slid.distance_m, track.samples[:, 5], track.samples[:, 0]))
    clock = golfer.tempo.beat_s + when_rolled - slid.duration_s
    if clock > track.duration_s:
        return None
    return BeatMark(float(track.at_times(np.array([clock]))[0, 4]), golfer.tempo.beat_s)


SCHOOL = School(
    "beat_mark",
    beat_mark_of,
    lambda mark: {"beat_mark": {"after_s": mark.after_s, "along_m": mark.along_m}},
)
