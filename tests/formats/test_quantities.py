"""What golfers type and how figures are said."""

import pytest

from orthocline.formats.quantities import (
    QuantityError,
    parse_green_speed_ft,
    parse_length_m,
    parse_slope,
    parse_speed_mps,
)
from orthocline.formats.wording import cups_words, hour_words, past_words, quarters, short_length

FT, IN = 0.3048, 0.0254


@pytest.mark.parametrize(
    ("text", "metres"),
    [
        ("14 ft", 14 * FT),
        ("14", 14 * FT),
        ("14'6\"", 14.5 * FT),
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
    assert short_length(17.66 * IN) == "17¾ in"
    assert short_length(72 * IN) == "6 ft"
    assert [hour_words(h) for h in (5.52, 6.0, 3.72, 7.24, 11.9)] == [
        "half past five",
        "six o'clock",
        "quarter to four",
        "quarter past seven",
        "twelve o'clock",
    ]
    assert past_words(0.3048) == "one foot"
    assert past_words(18 * IN) == "18 in"
    assert cups_words(17.66 * IN) == "about four cups"
    assert cups_words(2.125 * IN) == "half a cup"
