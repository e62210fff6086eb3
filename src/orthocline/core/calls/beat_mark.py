"""The beat mark: how far along its way the ball is one beat after it leaves the face."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np
from scipy.optimize import brentq

from orthocline.core.calls.golfer import GolferFigures
from orthocline.core.calls.marks import Mark, mark_after
from orthocline.core.calls.school import Blind, Figures, Goes, School, Term, solved_aim
from orthocline.core.constants import FACE_FRICTION, GRAVITY_MPS2
from orthocline.core.roll import Launch, Putt, Read, Track, roller, rolling_deceleration_mps2

PATH = 5
"""Column of a track's path length."""
SLOWEST, FASTEST, CLOSE_MPS = 0.2, 4.0, 1e-5
"""Launches of an answer are looked for between shares of the solved speed, and found within so much."""


@dataclass(frozen=True)
class BeatMark:
    """Where the ball passes, how far along its way [m], how long after the strike [s], and the place."""

    along_m: float
    after_s: float
    mark: Mark


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
    beat_s = golfer.tempo.beat_s
    clock = _clock_s(read.track, read.putt, read.launch_speed_mps, beat_s)
    if clock > read.track.duration_s:
        return None
    return BeatMark(_along_m(read.track, clock), beat_s, mark_after(read.putt, read.track, clock))


def _clock_s(track: Track, putt: Putt, launch_speed_mps: float, beat_s: float) -> float:
    """Return when on a pure roll's clock [s] the ball that slid first has its beat."""
    slid = slide(launch_speed_mps, rolling_deceleration_mps2(putt.green_speed_ft))
    when_rolled = float(np.interp(slid.distance_m, track.samples[:, PATH], track.samples[:, 0]))
    return beat_s + when_rolled - slid.duration_s


def _along_m(track: Track, clock_s: float) -> float:
    return float(track.at_times(np.array([min(clock_s, track.duration_s)]))[0, 4])


def _members(mark: BeatMark | None) -> Mapping[str, Any]:
    return {"beat_mark": {"after_s": mark.after_s, "along_m": mark.along_m} if mark else None}


def _launch(putt: Putt, figures: Figures, golfer: GolferFigures) -> Launch | None:
    """Return the launch along the putt's own line that has come so far after one beat."""
    aim = solved_aim(putt)
    roll, beat_s = roller(putt, aim), golfer.tempo.beat_s

    def over(speed_mps: float) -> float:
        track = roll(Launch(aim.launch.right_rad, speed_mps))
        return _along_m(track, _clock_s(track, putt, speed_mps, beat_s)) - figures[0]

    least, most = SLOWEST * aim.launch.speed_mps, FASTEST * aim.launch.speed_mps
    if over(least) > 0.0 or over(most) < 0.0:
        return None
    return Launch(aim.launch.right_rad, brentq(over, least, most, xtol=CLOSE_MPS))


SCHOOL = School(
    "beat_mark",
    beat_mark_of,
    _members,
    blind_to=(Blind.AIM,),
    terms=(Term.AHEAD,),
    goes=(Goes.TIME,),
    figures=lambda _, mark: (mark.along_m,) if mark else None,
    launch=_launch,
)
