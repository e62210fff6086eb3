"""What golfers type and how figures are said."""

from datetime import UTC, datetime, timedelta

import pytest

from orthocline.formats.speed_origin import SpeedOrigin, parse_speed_origin
from orthocline.wording.calibration import Calibration
from orthocline.wording.dates import Calendar, calendar_of
from orthocline.wording.figures import about_cup, hour_words, quarters, unbroken
from orthocline.wording.quantities import (
    QuantityError,
    is_paced,
    parse_degrees,
    parse_far_m,
    parse_green_speed_ft,
    parse_length_m,
    parse_near_m,
    parse_seconds,
    parse_slope,
    parse_speed_mps,
)
from orthocline.wording.units import Units
from orthocline.wording.wording import USUAL_WORDING, Bend, Wording

FT, IN = 0.3048, 0.0254


@pytest.mark.parametrize(
    ("text", "metres"),
    [
        ("14 ft", 14 * FT),
        ("14", 14 * FT),
        ("14'6\"", 14.5 * FT),
        ("9 2", (9 + 2 / 12) * FT),
        ("14′6", 14.5 * FT),
        ("14 ft 6 in", 14.5 * FT),
        ("14½ ft", 14.5 * FT),
        ("5 paces", 5 * 3 * FT),
        ("4,3 m", 4.3),
        ("430cm", 4.3),
        (" 12 IN ", 12 * IN),
        ("¾ in", 0.75 * IN),
        ("-3 in", -3 * IN),
        ("−3 in", -3 * IN),
    ],
)
def test_lengths(text, metres):
    assert parse_length_m(text) == pytest.approx(metres)


@pytest.mark.parametrize(
    "text", ["", "  ", "far", "3 leagues", "3 ft ft", "NaN", "1e9", "--3", "3" * 50, "ft 3"]
)
def test_lengths_that_cannot_be_read(text):
    with pytest.raises(QuantityError, match="14 ft"):
        parse_length_m(text)


@pytest.mark.parametrize(
    ("text", "ratio", "unit"),
    [
        ("2.1 %", 0.021, "%"),
        ("2.1", 0.021, "%"),
        ("-1 percent", -0.01, "%"),
        ("1.2 deg", 0.020947, "deg"),
        ("1.2°", 0.020947, "deg"),
        ("1 in", 1 / 168, "in"),
        ("0.1 m", 0.1 / (14 * FT), "in"),
    ],
)
def test_slopes(text, ratio, unit):
    found, said = parse_slope(text, 14 * FT)
    assert (found, said) == (pytest.approx(ratio, abs=1e-6), unit)


@pytest.mark.parametrize("text", ["60 deg", "x", "2 % 3 deg"])
def test_slopes_that_cannot_be_read(text):
    with pytest.raises(QuantityError):
        parse_slope(text, 4.0)


def test_speeds():
    assert parse_speed_mps("2 ft/s") == pytest.approx(2 * FT)
    assert parse_speed_mps("10 mph") == pytest.approx(4.4704)
    assert parse_green_speed_ft("10.2") == pytest.approx(10.2)
    assert parse_green_speed_ft("10'6\"") == pytest.approx(10.5)


def test_words():
    assert [quarters(v) for v in (17.66, 0.1, 0.3, 2.99)] == ["17¾", "0", "¼", "3"]
    assert USUAL_WORDING.short(17.66 * IN) == "17¾ in"
    assert USUAL_WORDING.short(72 * IN) == "6 ft"
    assert [hour_words(h) for h in (5.52, 6.0, 3.72, 7.24, 11.9)] == [
        "half past five",
        "six o'clock",
        "quarter to four",
        "quarter past seven",
        "twelve o'clock",
    ]
    assert USUAL_WORDING.past(0.3048) == "one foot"
    assert USUAL_WORDING.past(16 * IN) == "16 in"
    assert [about_cup(inches * IN) for inches in (0.3, -1.0, 2.125, -3.8, 5.0, 6.4, 17.66, 60.0)] == [
        *("the centre", "inside the left edge", "the right edge", "a ball outside the left edge"),
        *("about a cup", "about a cup and a half", "about four cups", ""),
    ]


OWN = Wording(Units(metric=True, degrees=True), Calibration(0.85, 0.29, own_pace=True), Bend.BORROW)


def test_bare_numbers_paces_and_shoes_are_the_golfers_own():
    assert parse_length_m("3 paces 2 shoes", wording=OWN) == pytest.approx(3 * 0.85 + 2 * 0.29)
    assert parse_far_m("4.3", OWN) == pytest.approx(4.3)
    assert parse_near_m("30", OWN) == pytest.approx(0.30)
    assert parse_slope("1.2", 3.0, OWN) == (pytest.approx(0.020947, abs=1e-6), "deg")
    assert parse_slope("3 cm", 3.0, OWN) == (pytest.approx(0.01), "cm")
    assert parse_length_m("5 paces") == pytest.approx(15 * FT)
    assert is_paced("5 Paces")
    assert not is_paced("5 ft")


def test_figures_are_said_in_the_golfers_units_and_words():
    said = (OWN.short(0.447), OWN.short(1.2), OWN.far(4.6), OWN.exact(0.4491), OWN.taped(2.794))
    assert said == ("45 cm", "1.2 m", "4.6 m", "44.9 cm", "2.79 m")
    assert (OWN.slope(0.021), OWN.past(0.3048), OWN.ball_speed(1.92), OWN.bend) == (
        "1.2°",
        "30 cm",
        "1.9 m/s",
        "borrow",
    )
    assert (OWN.typed_near(0.3), OWN.typed_slope(0.021)) == ("30 cm", "1.2 deg")
    assert USUAL_WORDING.taped(2.794) == "9 ft 2 in"
    assert OWN.paces(4.25) == "5 paces"
    assert unbroken("4.6 m and 45 cm, 2 %") == "4.6\u00a0m and 45\u00a0cm, 2\u00a0%"


def test_days_and_times_are_the_golfers_own():
    then = datetime(2026, 7, 13, 22, 30, tzinfo=UTC)
    east, west = calendar_of("Pacific/Auckland"), calendar_of("America/St_Johns")
    assert (east.moment(then), west.moment(then)) == ("14 Jul, 10:30", "13 Jul, 20:00")
    assert east.ago(then, then + timedelta(hours=8)) == "10:30"
    assert west.ago(then, then + timedelta(hours=8)) == "yesterday 20:00"
    assert west.instant(datetime(2026, 7, 13, 20, 0)) == then


def test_when_is_said_shorter_the_nearer_it_is():
    now = datetime(2026, 7, 14, 12, 0).astimezone()
    said = [Calendar().ago(now - timedelta(days=days, hours=3), now) for days in (0, 1, 3, 40)]
    assert said == ["09:00", "yesterday 09:00", "3 days ago", "4 Jun 2026"]


def test_a_speeds_origin_goes_into_an_address_and_back():
    origin = SpeedOrigin(10.2, 0.3, datetime(2026, 7, 14, 7, 40, tzinfo=UTC), "ramp")
    assert origin.text == "10.2 ±0.3 at 2026-07-14T07:40Z by ramp"
    assert parse_speed_origin(origin.text) == origin
    for bad in ("", "07:40", origin.text.replace("ramp", "feel"), origin.text.replace("07-14", "13-41")):
        assert parse_speed_origin(bad) is None


def test_angles_and_times():
    assert parse_degrees("20°") == parse_degrees("20 deg") == parse_degrees("20") == 20.0
    assert parse_seconds("3.5 s") == parse_seconds("3.5") == 3.5
    with pytest.raises(QuantityError, match="a time such as"):
        parse_seconds("3 ft")
