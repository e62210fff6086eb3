"""Where the hole can be cut, as a keeper goes through it the evening before."""

from pathlib import Path

import pytest

from tests.browser.conftest import DESK, PHONE

TOUCHING = (Path(__file__).parent / "touching.js").read_text()


def to_study(page):
    page.as_wren()
    page.go("/greens")
    page.press("green 6, Breakwater")
    page.press("Where to cut the hole")
    page.see("Where to cut the hole", "h1")


def test_a_keeper_finds_tomorrows_hole_and_takes_the_sheet(page):
    to_study(page)
    page.press("Speed 11 and 12, middle-handicap golfers")
    page.see("fair hole", "#lead")
    rows = page.run("return [...document.querySelectorAll('tbody tr')].map(row => row.innerText)")
    assert "front" in " ".join(rows), "the pins on the chart too"
    darker = page.run("return document.querySelectorAll('#map [data-part=harder]').length")
    page.press("Holds")
    said = "return document.getElementById('map').textContent"
    page.until(lambda: "dark: no stop within a foot past" in page.run(said))
    assert page.run("return document.querySelectorAll('#map [data-part=harder]').length") != darker
    page.press("Keep and print")
    page.see("It waits for its turn", "#job")


def test_a_study_is_asked_for_and_cancelled(page):
    to_study(page)
    page.find("#speed").clear()
    page.find("#speed").send_keys("9.5")
    page.press("Study the green")
    page.see("It waits for its turn", "#job")
    page.press("Cancel")
    page.see("It was cancelled", "#job")


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_no_label_of_the_map_touches_another(page, size):
    page.size(size)
    to_study(page)
    page.press("Speed 11 and 12, middle-handicap golfers")
    page.see("fair hole", "#lead")
    assert page.run(TOUCHING) == []
