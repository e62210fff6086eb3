"""The plan of a read: the putt to scale, the golfer's eye up, with its dimensions."""

import math
from dataclasses import dataclass, field

import numpy as np

from orthocline.core.constants import BALL_RADIUS_M, HOLE_RADIUS_M
from orthocline.core.roll import Mark, OwnRoll, Putt, Read
from orthocline.drawing.frame import Frame, Spots, fit, path_d, segments_d
from orthocline.drawing.ground.hachures import Hachures, clockwise_from_up, hachures
from orthocline.drawing.labels import Label, Room, Wanted, ink, place_labels
from orthocline.wording.figures import Wording, side

WIDTH, HEIGHT = 640.0, 620.0
TOP, BOTTOM = 96.0, 556.0
"""Heights on the sheet between which hole and ball are drawn."""
COLUMN, CENTER = 330.0, 320.0
"""Width and middle of the column for the putt; the inputs stand beside it on a wide screen."""
TYPE = 17.0
ROOM = Room(left=150.0, right=504.0, top=118.0, bottom=596.0, size=TYPE)
LEAST_HOLE, LEAST_BALL = 5.0, 5.0
"""Radii below which hole and ball are not drawn, however long the putt."""
FALL_LINE = 84.0
"""How far the fall line is drawn from the hole."""
TICK_S = 0.25
LONGEST_TICKS = 60
LABELLED_SECONDS = 3
BESIDE = np.array([(-16.0, -12.0), (-16.0, 0.0), (-16.0, 12.0), (16.0, -12.0), (16.0, 0.0), (16.0, 12.0)])
"""Points round a ball, a hole or a mark that labels keep clear of."""
CLEAR = 22.0
"""How far labels keep from the dimension line at the hole."""
FAR_M = 3.0
"""The own ball is drawn until so far from the putt's box of places."""


@dataclass(frozen=True)
class Line:
    """A straight line on the sheet."""

    x1: float
    y1: float
    x2: float
    y2: float


@dataclass(frozen=True)
class Spot:
    """A place on the sheet."""

    x: float
    y: float


DIAL, DIAL_RADIUS = Spot(586.0, 548.0), 36.0
"""The dial that shows which way the ground falls, in the corner of the sheet."""


@dataclass(frozen=True)
class OwnPlan:
    """The golfer's own aim and the ball it would have sent, into the hole if it drops."""

    line: Line
    mark: Spot
    way: Spots

    @property
    def path(self) -> str:
        """The ball's way as an SVG path."""
        return path_d(self.way)

    @property
    def finish(self) -> Spot:
        """Where the ball rests, or is last followed to."""
        return _last(self.way)


@dataclass(frozen=True)
class Answer:
    """What is drawn only once the read is shown.

    Attributes
    ----------
    way, beyond : ndarray, shape (n, 2)
        The ball's way on the sheet, to the hole and beyond it with the hole covered.
    ticks, seconds : ndarray, shape (2 n, 2)
        Strokes at quarter seconds and at whole seconds, from end to end.
    gate : ndarray, shape (4, 2)
        The two posts of the curve gate.
    aim : Line
        From the ball to the aim mark, or as far as the drawing goes where there is no mark.
    mark : Spot or None
    dimension : Line or None
        From the hole's centre to the aim mark, above them.
    """

    way: Spots
    beyond: Spots
    ticks: Spots
    seconds: Spots
    aim: Line
    mark: Spot | None
    dimension: Line | None
    gate: Spots
    apex: Line | None
    start: Spot
    own: OwnPlan | None

    @property
    def path(self) -> str:
        """The ball's way to the hole as an SVG path."""
        return path_d(self.way)

    @property
    def ticks_path(self) -> str:
        """The quarter seconds as an SVG path."""
        return segments_d(self.ticks)

    @property
    def seconds_path(self) -> str:
        """The whole seconds as an SVG path."""
        return segments_d(self.seconds)

    @property
    def gate_path(self) -> str:
        """The curve gate as an SVG path."""
        return segments_d(self.gate)

    @property
    def past(self) -> str:
        """Its way beyond the covered hole."""
        return path_d(self.beyond)

    @property
    def rest(self) -> Spot:
        """Where it would rest, or is last followed to."""
        return _last(self.beyond)


@dataclass(frozen=True)
class Plan:
    """Everything the template draws."""

    frame: Frame
    held: bool
    ball: Spot
    hole: Spot
    ball_radius: float
    hole_radius: float
    ground: Hachures | None
    fall_deg: float
    rest: Spot
    fall_line: Line
    answer: Answer | None = None
    labels: tuple[Label, ...] = field(default=())

    @property
    def fall_knob(self) -> tuple[float, float]:
        """Where the fall's dial is taken hold of."""
        angle = math.radians(self.fall_deg)
        return DIAL.x + DIAL_RADIUS * math.sin(angle), DIAL.y - DIAL_RADIUS * math.cos(angle)


def eye(putt: Putt, rows: Spots) -> tuple[Spots, Spots]:
    """Return how far beyond the hole, and right of it, the places (x, y) of rows lie [m]."""
    cos, sin = math.cos(putt.bearing_rad), math.sin(putt.bearing_rad)
    east, north = rows[:, 0] - putt.hole.x_m, rows[:, 1] - putt.hole.y_m
    return east * cos + north * sin, east * sin - north * cos


def plan(
    putt: Putt,
    answer: Read | None,
    wording: Wording,
    own: OwnRoll | None = None,
    held: tuple[float, float, float, float] | None = None,
) -> Plan:
    """Return the plan of a putt, with its read unless that is still hidden.

    Parameters
    ----------
    held : tuple of four float, or None
        Scale, hole x, hole y and turn of a drawing to keep still, while something is dragged.
    """
    frame = Frame(*held) if held else _fit(putt, answer, own)
    fall = _fall_deg(putt)
    ball = frame.spot(-putt.length_m, 0.0)
    shown = _answer(putt, answer, own, frame) if answer else None
    return Plan(
        frame=frame,
        held=held is not None,
        ball=Spot(*ball),
        hole=Spot(round(frame.hole_x, 1), round(frame.hole_y, 1)),
        ball_radius=round(max(frame.scale * BALL_RADIUS_M, LEAST_BALL), 1),
        hole_radius=round(max(frame.scale * HOLE_RADIUS_M, LEAST_HOLE), 1),
        ground=hachures(putt.surface.tilt, fall + frame.turn_deg, frame.scale, wording),
        fall_deg=round(fall + frame.turn_deg, 1),
        rest=shown.rest if shown else Spot(frame.hole_x, frame.hole_y),
        fall_line=_fall_line(frame, fall),
        answer=shown,
        labels=tuple(_labels(putt, answer, shown, frame, wording)) if answer and shown else (),
    )


def _fall_deg(putt: Putt) -> float:
    bearing = putt.bearing_rad
    return clockwise_from_up(putt.surface.grade(bearing), putt.surface.side_tilt_right(bearing))


def _fit(putt: Putt, answer: Read | None, own: OwnRoll | None) -> Frame:
    beyond, right = [0.0, -putt.length_m], [0.0, 0.0]
    if answer:
        for rows in (answer.path, answer.path_past):
            along, across = eye(putt, rows[:, 1:3])
            beyond += [float(along.min()), float(along.max())]
            right += [float(across.min()), float(across.max())]
        if answer.aim_right_m is not None:
            beyond.append(0.0)
            right.append(answer.aim_right_m)
    if own:
        beyond.append(0.0)
        right.append(float(np.clip(own.aim_right_m, min(right) - FAR_M, max(right) + FAR_M)))
    spots = np.column_stack([beyond, right])
    return fit(spots, width=COLUMN, height=BOTTOM - TOP, center_x=CENTER, top=TOP)


def _answer(putt: Putt, answer: Read, own: OwnRoll | None, frame: Frame) -> Answer:
    way = frame.spots(*eye(putt, answer.path[::2, 1:3]))
    beyond = frame.spots(*eye(putt, answer.path_past[::2, 1:3]))
    reach = math.hypot(putt.length_m, answer.aim_right_m or 0.0)
    aim_end = frame.spot(
        reach * math.cos(answer.launch_right_rad) - putt.length_m, reach * math.sin(answer.launch_right_rad)
    )
    ball = frame.spot(-putt.length_m, 0.0)
    marked = answer.aim_right_m is not None
    start = frame.spot(answer.start_spot.along_m - putt.length_m, answer.start_spot.right_m)
    return Answer(
        way=way,
        beyond=beyond,
        ticks=_ticks(putt, answer, frame, whole=False),
        seconds=_ticks(putt, answer, frame, whole=True),
        aim=Line(*ball, *aim_end),
        mark=Spot(*aim_end) if marked else None,
        dimension=_dimension(frame, answer) if marked and not frame.turn_deg else None,
        gate=_gate(putt, answer, frame),
        apex=_apex(putt, answer, frame),
        start=Spot(*start),
        own=_own(putt, own, frame) if own else None,
    )


def _fall_line(frame: Frame, fall_deg: float) -> Line:
    """Return the fall line through the hole, from the high side to the low side."""
    reach = FALL_LINE / frame.scale
    down = math.radians(fall_deg)
    low = frame.spot(reach * math.cos(down), reach * math.sin(down))
    high = frame.spot(-reach * math.cos(down), -reach * math.sin(down))
    return Line(*high, *low)


def _ticks(putt: Putt, answer: Read, frame: Frame, *, whole: bool) -> Spots:
    """Return strokes square to the path at quarter seconds, or at whole seconds."""
    count = min(int(answer.aim.time_to_hole_s / TICK_S), LONGEST_TICKS)
    times = np.array([TICK_S * i for i in range(1, count + 1) if (i % 4 == 0) == whole])
    if not len(times):
        return np.empty((0, 2))
    before, after = (
        frame.spots(*eye(putt, answer.track.at_times(times + shift)[:, 1:3])) for shift in (-0.005, 0.005)
    )
    way = after - before
    way *= (9.0 if whole else 5.0) / np.maximum(np.hypot(way[:, 0], way[:, 1]), 1e-9)[:, None]
    square = np.column_stack([-way[:, 1], way[:, 0]])
    middle = 0.5 * (before + after)
    return np.column_stack([middle + square, middle - square]).reshape(-1, 2)


def _dimension(frame: Frame, answer: Read) -> Line:
    (x, y), (mark_x, _) = frame.spot(0.0, 0.0), frame.spot(0.0, answer.aim_right_m or 0.0)
    return Line(x, y - 40.0, mark_x, y - 40.0)


def _gate(putt: Putt, answer: Read, frame: Frame) -> Spots:
    """Return the two posts of the curve gate, square to the ball-hole line on both sides of the path."""
    beyond, right = answer.curve_gate.along_m - putt.length_m, answer.curve_gate.right_m
    offsets = np.array([-5.0, -15.0, 5.0, 15.0]) / frame.scale
    return frame.spots(np.full(4, beyond), right + offsets)


def _apex(putt: Putt, answer: Read, frame: Frame) -> Line | None:
    if answer.apex is None:
        return None
    foot = frame.spot(answer.apex.along_m - putt.length_m, 0.0)
    return Line(*foot, *_mark_spot(putt, answer.apex, frame))


def _own(putt: Putt, own: OwnRoll, frame: Frame) -> OwnPlan:
    rows = own.track.even_times(0.0, own.track.duration_s, 41)
    if own.meeting.drops:
        beyond, _ = eye(putt, rows[:, 1:3])
        rows = rows[beyond < 0.0]
    ball, mark = frame.spot(-putt.length_m, 0.0), frame.spot(0.0, own.aim_right_m)
    way = frame.spots(*eye(putt, rows[:, 1:3]))
    if own.meeting.drops:
        way = np.vstack([way, frame.spot(0.0, 0.0)])
    return OwnPlan(Line(*ball, *mark), Spot(*mark), way)


def _last(spots: Spots) -> Spot:
    return Spot(round(float(spots[-1, 0]), 1), round(float(spots[-1, 1]), 1))


def _labels(putt: Putt, answer: Read, shown: Answer, frame: Frame, wording: Wording) -> list[Label]:
    ends = frame.spots(np.array([-putt.length_m, 0.0]), np.zeros(2))
    lines = [shown.way, shown.beyond, ends, _ends(shown.aim), _ends(_fall_line(frame, _fall_deg(putt)))]
    if shown.own:
        lines += [shown.own.way, _ends(shown.own.line)]
    round_things = [*ends.tolist(), (shown.rest.x, shown.rest.y)]
    if shown.mark:
        round_things.append((shown.mark.x, shown.mark.y))
    around = (np.array(round_things)[:, None, :] + BESIDE).reshape(-1, 2)
    marks = np.concatenate([shown.gate, shown.ticks, shown.seconds, around])
    return place_labels(_wanted(putt, answer, shown, frame, wording), ink(lines, marks), ROOM)


def _ends(line: Line) -> Spots:
    return np.array([(line.x1, line.y1), (line.x2, line.y2)])


def _wanted(putt: Putt, answer: Read, shown: Answer, frame: Frame, wording: Wording) -> list[Wanted]:
    bends, inside = ("right", "left") if answer.launch_right_rad > 0 else ("left", "right")
    start = f"start spot, {wording.far(answer.start_spot.ahead_m)}"
    wanted = [
        Wanted("your ball", *frame.spot(-putt.length_m, 0.0), "right", "quiet"),
        Wanted(start, shown.start.x, shown.start.y, bends, "do"),
        Wanted("curve gate", *_mark_spot(putt, answer.curve_gate, frame), inside, "do"),
    ]
    if answer.apex:
        apex = f"apex {wording.short(answer.apex.right_m)}"
        wanted.append(Wanted(apex, *_mark_spot(putt, answer.apex, frame), inside, "quiet"))
    middles = 0.5 * (shown.seconds[::2] + shown.seconds[1::2])
    for i, (x, y) in enumerate(middles[:LABELLED_SECONDS].tolist(), start=1):
        if abs(y - frame.hole_y) >= CLEAR:
            wanted.append(Wanted(f"{i} s", x, y, inside, "ball", needed=False))
    if shown.own:
        outside = side(shown.own.mark.x - frame.hole_x)
        wanted.append(
            Wanted("your aim", shown.own.mark.x, shown.own.mark.y + CLEAR, outside, "own", needed=False)
        )
    return wanted


def _mark_spot(putt: Putt, mark: Mark, frame: Frame) -> tuple[float, float]:
    return frame.spot(mark.along_m - putt.length_m, mark.right_m)
