"""One putt of a log as it was played, for the model to judge; and what it answers."""

import math
from collections.abc import Mapping, Sequence
from typing import Any, Final

import numpy as np

from orthocline.core.account import GOLFERS, USUAL_LEVEL
from orthocline.core.learning import (
    Diagnosis,
    Habit,
    Played,
    diagnosis_of,
    evidence_of,
    reads_of,
    stroke_with,
    usual_stroke,
)
from orthocline.core.log import Finish, Seen
from orthocline.core.roll import PuttError
from orthocline.core.units import PERCENT
from orthocline.formats.putt_document import LARGEST_LINE, DocumentError, parse_json, question_of
from orthocline.formats.putt_line import LineError, PuttLine, flattened, parse_line

ANY_TIME: Final = "2000-01-01T00:00Z"
"""When a putt was played may be left out here: the model does not ask."""
SIDES: Final = {"": None, "left": -1, "on": 0, "right": 1}


def parse_played(text: bytes) -> Played:
    """Return the putt of a JSON line.

    Parameters
    ----------
    text : bytes
        The line, of at most `LARGEST_LINE` bytes.

    Returns
    -------
    Played
        With the golfer that its putt names, or the usual middle one.

    Raises
    ------
    DocumentError
        For what is no such line; its member says where.
    """
    if len(text) > LARGEST_LINE:
        raise DocumentError("", f"the line is longer than {LARGEST_LINE} bytes")
    try:
        line = parse_line({"at": ANY_TIME} | flattened(parse_json(text)))
    except LineError as error:
        raise DocumentError(f"/{error.column}" if error.column else "", error.message) from error
    if line.putt is None:
        raise DocumentError("/putt", "is missing: the model judges a putt by what was asked of it")
    if line.result is None:
        raise DocumentError("/finish", "is missing: say where it stopped, or that it dropped")
    return _played(line, line.putt)


def _played(line: PuttLine, document: Mapping[str, Any]) -> Played:
    question, by, aim_m = question_of(document), line.corrected_by or 1.0, line.aim_right_m
    finish = None
    if line.finish_along_m is not None and line.finish_right_m is not None:
        finish = Finish(line.finish_along_m, line.finish_right_m)
    return Played(
        question.putt,
        question.golfer or GOLFERS[USUAL_LEVEL],
        holed=bool(line.result),
        finish=finish,
        aim_right_m=None if aim_m is None else by * aim_m,
        corrected_by=by,
        uncertainty=question.uncertainty,
        seen=Seen(SIDES[line.seen_start], SIDES[line.seen_passed]),
        by_device=line.device,
    )


def judged(played: Played) -> Diagnosis:
    """Return what the model says of one putt.

    Parameters
    ----------
    played : Played
        The putt.

    Returns
    -------
    Diagnosis
        Shares and cause.

    Raises
    ------
    DocumentError
        Where nothing can be said: no ball reaches the hole, or no launch ends there.
    """
    try:
        return diagnosis_of(played)
    except PuttError as error:
        raise DocumentError(f"/putt{error.member}", str(error)) from error
    except ValueError as error:
        raise DocumentError("/finish", str(error)) from error


def diagnosis_document(found: Diagnosis) -> dict[str, Any]:
    """Return a diagnosis as JSON data.

    Parameters
    ----------
    found : Diagnosis
        The diagnosis.

    Returns
    -------
    dict
        Shares to a thousandth; `together` where it took two, `saved_by` of a holed ball.
    """
    shares = {name: round(share, 3) for name, share in found.drops_if.items()}
    told: dict[str, Any] = {"drops_if": shares, "cause": found.cause}
    if found.cause == "several":
        told["together"] = found.together
    if found.played.holed:
        told["saved_by"] = found.saved_by
    return told


def habits_document(log: Sequence[Played]) -> dict[str, Any]:
    """Return what the putts of one golfer say of them.

    Parameters
    ----------
    log : sequence of Played
        The putts; `usual` says that they are too few to be more than a usual golfer's.

    Returns
    -------
    dict
        Each habit with its value and 95 % range.

    Raises
    ------
    DocumentError
        For no putts.
    """
    if not log:
        raise DocumentError("", "there are no putts")
    golfer = log[0].golfer
    stroke = stroke_with(usual_stroke(golfer), evidence_of(log))
    solved = [one for one in log if _is_read(one)]
    own = np.array([_or_nan(one.own_read_m) for one in solved])
    true = np.array([_or_nan(one.read.aim_right_m) for one in solved])
    reads, degree = reads_of(own, true, golfer.read), math.degrees(1.0)
    sides = {
        name: reads_of(own[true * side > 0.0], true[true * side > 0.0], golfer.read)
        for name, side in (("left", 1.0), ("right", -1.0))
    }
    return {
        "putts": len(log),
        "usual": not stroke.own,
        "read_factor": _habit(reads.factor),
        **{f"read_factor_falling_{name}": _habit(one.factor) for name, one in sides.items()},
        "read_sd_percent": _habit(reads.sd, 1.0 / PERCENT),
        "start_line_bias_right_deg": _habit(stroke.start_bias_rad, degree),
        "start_line_sd_deg": _habit(stroke.start_sd_rad, degree),
        "energy_bias_percent": _habit(stroke.energy_bias, 1.0 / PERCENT),
        "energy_sd_percent": _habit(stroke.energy_sd, 1.0 / PERCENT),
    }


def _is_read(played: Played) -> bool:
    try:
        return played.read.aim_right_m is not None
    except PuttError:
        return False


def _or_nan(figure: float | None) -> float:
    return math.nan if figure is None else figure


def _habit(one: Habit, unit: float = 1.0) -> dict[str, Any]:
    value, least, most = (round(unit * figure, 4) for figure in (one.value, one.least, one.most))
    return {"value": value, "range": [least, most]}
