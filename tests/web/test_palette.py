"""Every pair of the palette that meets is readable: 4.5 for text, 3 for lines that mean something."""

import re
from pathlib import Path

import pytest

CSS = (Path(__file__).parents[2] / "src/orthocline/drawing/sheet.css").read_text()
COLOURS = dict(re.findall(r"--color-([a-z-]+): (#[0-9a-f]{6});", CSS))
GROUNDS = ("paper", "raised", "green")
WORDS = ("ink", "quiet", "do-words", "fall", "unsure", "real")
LINES = ("ink", "quiet", "do", "fall", "unsure", "real", "edge")


def luminance(colour):
    parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
    linear = [p / 12.92 if p <= 0.04045 else ((p + 0.055) / 1.055) ** 2.4 for p in parts]
    return sum(w * p for w, p in zip((0.2126, 0.7152, 0.0722), linear, strict=True))


def contrast(one, other):
    light, dark = sorted((luminance(COLOURS[one]), luminance(COLOURS[other])), reverse=True)
    return (light + 0.05) / (dark + 0.05)


@pytest.mark.parametrize("ground", GROUNDS)
@pytest.mark.parametrize("words", WORDS)
def test_words_can_be_read(words, ground):
    assert contrast(words, ground) >= 4.5


@pytest.mark.parametrize("ground", GROUNDS)
@pytest.mark.parametrize("line", LINES)
def test_lines_can_be_seen(line, ground):
    assert contrast(line, ground) >= 3.0


def test_filled_buttons_can_be_read():
    assert contrast("raised", "ink") >= 4.5
