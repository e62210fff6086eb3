"""Own measures: kept, worked out from what was tried, followed by every word and every parser."""

import pytest

from orthocline.core.calls import SCHOOLS, USUAL_GOLFER, GolferFigures, StartAid
from orthocline.core.roll import read
from orthocline.core.units import FOOT_M, INCH_M
from orthocline.services.account import trials
from orthocline.services.account.access import Mode, Viewer
from orthocline.services.account.measures import (
    KEPT,
    first_calls,
    golfer_figures,
    keep_bend,
    keep_calls,
    keep_measures,
    own_measures,
    own_senses,
    own_stride,
    own_stroke_rate,
    pacing_sd,
    wording_of,
)
from orthocline.services.account.trials import add_slope_pair, add_stride_trial, add_stroke_putt, remove_trial
from orthocline.services.errors import InvalidError, NotAllowedError, NotFoundError
from orthocline.wording.read.call import call
from tests.putts import plane_putt

METRIC = {
    **dict.fromkeys(KEPT),
    "units": "metres",
    "slopes": "degrees",
    "bend": "borrow",
    "hand": "left",
    "eye": "right",
    "golfer_level": "middle",
    "pace": "usual",
    "sight": "curves",
    "start_aid": "line",
    "shoe_m": 0.29,
}


def lines_of(said):
    return {line.title: line.words for line in said.lines}


@pytest.fixture
def golfer(create_golfer):
    return create_golfer()


def test_usual_measures_until_the_golfers_own_are_kept(session, golfer):
    usual = wording_of(own_measures(Viewer(golfer), session))
    assert (usual.units.metric, usual.calibration.pace_m, usual.calibration.own_pace, usual.bend) == (
        False,
        pytest.approx(0.9144),
        False,
        "break",
    )
    keep_measures(Viewer(golfer), session, METRIC)
    own = wording_of(own_measures(Viewer(golfer), session))
    assert (own.units.metric, own.units.degrees, own.bend, own.hand, own.calibration.shoe_m) == (
        True,
        True,
        "borrow",
        "left",
        0.29,
    )


def test_a_stride_from_tries_is_surer_than_the_usual_one(session, golfer):
    assert pacing_sd(wording_of(own_measures(Viewer(golfer), session))) == 0.05
    for paces, feet in ((10, 27.0), (10, 28.0), (20, 55.0)):
        add_stride_trial(Viewer(golfer), session, paces=paces, tape_m=feet * FOOT_M)
    own = own_measures(Viewer(golfer), session)
    assert own_stride(own).value / FOOT_M == pytest.approx(2.75)
    assert wording_of(own).paces(11 * FOOT_M) == "4 paces"
    assert pacing_sd(wording_of(own)) == 0.02
    gone = own.stride_trials[1].id
    remove_trial(Viewer(golfer), session, "stride", gone)
    assert [trial.paces for trial in own_measures(Viewer(golfer), session).stride_trials] == [10, 20]
    with pytest.raises(NotFoundError):
        remove_trial(Viewer(golfer), session, "stride", gone)


def test_feet_count_as_the_golfers_own_from_five_pairs_on(session, golfer, monkeypatch):
    monkeypatch.setattr(trials, "MOST_PAIRS", 40)
    viewer, pairs = Viewer(golfer), [(1, 0.6), (2, 1.7), (3, 2.2), (4, 2.9), (2, 1.2)]
    for guess, level in pairs[:4]:
        add_slope_pair(viewer, session, sense="feet", guess=guess / 100, level=level / 100)
    assert own_senses(own_measures(viewer, session)) == {}
    add_slope_pair(viewer, session, sense="feet", guess=0.02, level=0.012)
    own = own_senses(own_measures(viewer, session))
    assert set(own) == {"feet"}
    assert own["feet"].slope(0.03).value == pytest.approx(0.0217, abs=0.0005)
    calibration = wording_of(own_measures(viewer, session)).calibration
    assert calibration.senses == own
    remove_trial(viewer, session, "slope", own_measures(viewer, session).slope_pairs[0].id)
    assert own_senses(own_measures(viewer, session)) == {}
    for _ in range(36):
        add_slope_pair(viewer, session, sense="eye", guess=0.02, level=0.012)
    with pytest.raises(InvalidError, match="40 trials are enough"):
        add_slope_pair(viewer, session, sense="eye", guess=0.02, level=0.012)
    with pytest.raises(NotAllowedError):
        add_slope_pair(Viewer(golfer, Mode.COMPETITION), session, sense="feet", guess=0.02, level=0.012)


def test_a_calibrated_stroke_replaces_the_usual_one(session, golfer):
    solved = read(plane_putt(15, grade=0.02, past_in=12))
    assert lines_of(call(solved))["Stroke"] == "18 in, half of it back, within 5¼ in: usual stroke, not yours"
    for stroke_in, roll_ft in ((10, 6.4), (14, 12.1), (18, 20.6)):
        add_stroke_putt(
            Viewer(golfer),
            session,
            stroke_m=stroke_in * INCH_M,
            roll_m=roll_ft * FOOT_M,
            green_speed_ft=10.0,
        )
    rate = own_stroke_rate(own_measures(Viewer(golfer), session))
    assert (
        lines_of(call(solved, golfer=GolferFigures(rate)))["Stroke"]
        == "17¾ in, half of it back, within ½ in: by your own putts"
    )


def test_what_no_golfer_has_is_refused_and_so_is_measuring_in_competition(session, golfer):
    with pytest.raises(InvalidError, match="1 to 5 ft"):
        add_stride_trial(Viewer(golfer), session, paces=10, tape_m=30.0)
    with pytest.raises(InvalidError, match="between 3 and 20"):
        add_stroke_putt(Viewer(golfer), session, stroke_m=0.3, roll_m=3.0, green_speed_ft=2.0)
    with pytest.raises(NotAllowedError):
        add_stride_trial(Viewer(golfer, Mode.COMPETITION), session, paces=10, tape_m=8.0)
    with pytest.raises(NotAllowedError):
        add_stroke_putt(
            Viewer(golfer, Mode.COMPETITION), session, stroke_m=0.3, roll_m=3.0, green_speed_ft=10.0
        )
    for _ in range(20):
        add_stride_trial(Viewer(golfer), session, paces=10, tape_m=8.0)
    with pytest.raises(InvalidError, match="20 trials"):
        add_stride_trial(Viewer(golfer), session, paces=10, tape_m=8.0)


def test_pace_in_words_for_a_putt_up_two_percent():
    lines = lines_of(call(read(plane_putt(15, grade=0.02, past_in=12))))
    assert lines["Level twin"] == "4 ft past, on the line: a coin to putt to, as on a floor"
    assert lines["Pace target"] == "4 ft past, as on the level"
    down = lines_of(call(read(plane_putt(15, grade=-0.02, side_right=0.02, past_in=12))))
    assert "short" in down["Level twin"]
    assert "left" in down["Level twin"]
    flat = lines_of(call(read(plane_putt(3, past_in=0))))
    assert flat["Pace target"] == "at the hole: it plays its length"
    assert flat["Level twin"].startswith("at the hole, on the line: ")


def test_every_sentence_follows_the_golfers_units(session, golfer):
    keep_measures(Viewer(golfer), session, METRIC)
    said = call(
        read(plane_putt(14, side_right=-0.021, grade=1 / 168)),
        wording_of(own_measures(Viewer(golfer), session)),
    )
    whole = " ".join([said.sentence, *said.details, *(f"{line.title} {line.words}" for line in said.lines)])
    assert said.sentence.startswith("Aim 44 cm right of centre. Roll it 30 cm past.")
    assert "Borrow" in whole
    assert " in " not in whole.replace("half in ", "")
    assert " ft" not in whole


def test_a_golfers_own_hand_eyes_and_start_aid_are_the_schools(session, golfer):
    viewer = Viewer(golfer)
    usual = golfer_figures(own_measures(viewer, session))
    assert usual == USUAL_GOLFER
    own = {
        "finger_4_m": 0.014,
        "arm_bent_m": 0.5,
        "arm_bent_speed_ft": 10.0,
        "eye_height_m": 1.5,
        "lean": 0.0,
    }
    keep_measures(viewer, session, METRIC | own)
    figures = golfer_figures(own_measures(viewer, session))
    assert figures.gauge.fingers_m == (0.017, 0.017, 0.017, 0.014, 0.017)
    assert figures.gauge.arm_m(12.5) == pytest.approx(0.4), "nearer on a faster green"
    assert figures.gauge.arm_m(5.0) == usual.gauge.straight_m, "no longer than the arm"
    assert (figures.eye_m, figures.lean, figures.start_aid, figures.eye) == (1.5, 0.0, StartAid.LINE, "right")


def test_a_putter_that_was_checked_once_hangs_so_in_every_read(session, golfer):
    checked = {"shaft_left_m": 0.006, "shaft_right_m": -0.002, "shaft_m": 0.5, "stand_m": 2.5}
    keep_measures(Viewer(golfer), session, METRIC | checked | {"crouch_height_m": 0.6})
    own = golfer_figures(own_measures(Viewer(golfer), session))
    assert (own.putter.edge, own.putter.hang) == ("right", pytest.approx(-0.004))
    assert (own.stand_m, own.crouch_m) == (2.5, 0.6)
    level = read(plane_putt(10.0))
    # A foot that hangs 4 mm in a metre to the left shows 1.6 m of eyes a line to the right of the hole.
    meets = 0.004 * 1.6 * 10.0 * FOOT_M / 2.0
    assert SCHOOLS["plumb_line"].value(level, own).right_m == pytest.approx(meets)
    words = wording_of(own_measures(Viewer(golfer), session))
    assert "along its right edge" in lines_of(call(level, words, own))["Plumb line"]


def test_the_calls_that_lead_go_by_the_sight_until_they_are_chosen(session, golfer):
    viewer = Viewer(golfer)
    assert first_calls(None) == ("aim_spot", "curve_gate", "pace_target")
    keep_measures(viewer, session, METRIC)
    assert first_calls(own_measures(viewer, session)) == ("curve_gate", "cup_entry", "pace_target")
    keep_calls(viewer, session, ("hand_gauge", "gone_since", "apex"))
    assert first_calls(own_measures(viewer, session)) == ("hand_gauge", "apex")
    keep_calls(viewer, session, None)
    keep_measures(viewer, session, METRIC | {"sight": "lines"})
    assert first_calls(own_measures(viewer, session)) == ("aim_spot", "start_spot", "pace_target")


def test_a_bend_is_kept_for_its_speed_and_one_that_no_arm_makes_is_refused(session, golfer):
    viewer = Viewer(golfer)
    keep_bend(viewer, session, 0.42, 11.0)
    kept = own_measures(viewer, session)
    assert (kept.arm_bent_m, kept.arm_bent_speed_ft) == (0.42, 11.0)
    for arm in (0.1, 0.7):
        with pytest.raises(InvalidError, match="another number of fingers"):
            keep_bend(viewer, session, arm, 11.0)
