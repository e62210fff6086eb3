"""A green charted by thumb, by keys and without scripts; a putt over its tier; labels that touch nothing."""

import re
from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.common.by import By

from tests.browser.conftest import DESK, PHONE

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
SAID = ("", "?tool=slope&spot=12+on,+2+right", "?tool=putt", "?tool=pin&chosen=pin-0", "?tool=grain")
# Where one stands, from the middle of the front edge, and what the two tiers of Ternholm do there [m, %].
TIERS = (
    *((-5.0, 4.0, 1.25), (5.0, 4.0, 1.25), (0.0, 7.5, 2.0), (-4.0, 10.0, 15.0)),
    *((4.0, 10.0, 15.0), (0.0, 14.0, 1.5), (-5.0, 16.0, 1.25), (5.0, 16.0, 1.25)),
)


def on_map(page, x, y):
    """Return where a place of the map lies in the window."""
    return page.run(
        "const s = document.querySelector('#stage svg'), d = s.dataset;"
        "s.scrollIntoView({block: 'center'});"
        "const p = new DOMPoint(+d.holeX + d.scale * arguments[0], d.holeY - d.scale * arguments[1])"
        ".matrixTransform(s.getScreenCTM());"
        "return [Math.round(p.x), Math.round(p.y)]",
        *(x, y),
    )


def draw(page, begun, to):
    """Drag a finger over the map, and wait until that is kept."""
    before = page.text("#readings summary")
    actions = ActionChains(page.driver)
    at, end = on_map(page, *begun), on_map(page, *to)
    pointer = actions.w3c_actions.pointer_action
    pointer.move_to_location(*at).pointer_down()
    for share in (0.3, 0.7, 1.0):
        pointer.move_to_location(*(round(a + share * (b - a)) for a, b in zip(at, end, strict=True)))
    pointer.pointer_up()
    actions.perform()
    page.until(lambda: page.text("#readings summary") != before)


def tap(page, x, y):
    """Tap a place of the map."""
    actions = ActionChains(page.driver)
    actions.w3c_actions.pointer_action.move_to_location(*on_map(page, x, y)).click()
    actions.perform()


def length_of(percent):
    """Return how long the arrow of a slope is on the map [m]."""
    return 0.55 * min(percent, 4.0) + 0.06 * max(percent - 4.0, 0.0)


def new_green(page, name):
    page.as_wren()
    page.go("/greens")
    said = {"course": "Ternholm Links", "green": name, "deep": "20 m", "wide": "24 m"}
    for field, typed in said.items():
        page.find(f"#{field}").send_keys(typed)
    page.press("Chart it")
    page.see("Nothing read yet.", "#lead")


def test_a_green_of_two_tiers_is_charted_by_thumb_and_read_over_the_tier(page):
    page.size(PHONE)
    new_green(page, "by thumb")
    for x, y, percent in TIERS:
        draw(page, (x, y), (x, y - length_of(percent)))
    page.see("Readings: 8", "#readings")
    assert page.all("[data-part=unsure]")
    page.see("A step", "#lead")
    # The place that it asks for: looked at, and read there.
    page.find("#next a").click()
    page.until(lambda: page.all("[data-part=spot]") and page.value("place"))
    page.find("#way").send_keys("front")
    page.find("#size").send_keys("3 %")
    page.press("Add")
    page.see("Readings: 9", "#readings")
    page.press("Pins")
    page.see("Tap where the hole is cut", "#hint")
    tap(page, 1.0, 16.5)
    page.see("Pins: 1", "#pins")
    page.see("Holds a ball", "#holds")
    page.press("Putt to it")
    ball = page.find("#ball")
    ball.send_keys(Keys.CONTROL + "a")
    ball.send_keys("4 on, 1 left", Keys.ENTER)
    page.see("Aim", "#lead")
    page.see("Between", "#range")
    page.press("Read it")
    page.see("Between", "#range")
    page.see("The ground is that of the green's map", "#places")
    assert page.run("return document.documentElement.scrollWidth") <= PHONE["width"]


def test_an_edit_is_undone_and_pins_are_moved_by_keys(page):
    page.size(DESK)
    new_green(page, "by keys")
    draw(page, (0.0, 10.0), (0.0, 8.9))
    page.press("Undo")
    page.see("Readings: 0", "#readings")
    page.press("Redo")
    page.see("Readings: 1", "#readings")
    page.press("Pins")
    page.see("Tap where the hole is cut", "#hint")
    tap(page, 2.0, 12.0)
    page.see("Pins: 1", "#pins")
    before = page.value("place")
    page.find("#pin-pin-0").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("place") != before)
    assert page.focused() == "pin-pin-0"
    assert page.run("return location.search").startswith("?tool=pin")


def test_without_scripts_a_green_is_charted_by_typing(page):
    page.size(DESK)
    page.as_wren()
    page.without_scripts()
    page.go("/greens")
    page.press("Saltings")
    said = int(re.search(r"\d+", page.text("#readings summary"))[0])
    page.press("Slope")
    for name, typed in (("place", "12 on, 3 right"), ("way", "front left"), ("size", "2 %")):
        page.find(f"#{name}").send_keys(typed)
    page.press("Add")
    page.see(f"Readings: {said + 1}", "#readings")
    page.press("Undo")
    page.see(f"Readings: {said}", "#readings")
    page.press("Look")
    page.find("#spot").send_keys("12 on", Keys.ENTER)
    page.see("Water from here", "#there")


@pytest.mark.parametrize(
    ("metrics", "some"), [(DESK, slice(6)), (PHONE, slice(6, None))], ids=["desk", "phone"]
)
def test_no_label_of_a_map_touches_another_or_a_line(page, metrics, some):
    page.as_wren()
    page.size(metrics)
    page.go("/greens")
    greens = [one.get_attribute("href") for one in page.driver.find_elements(By.CSS_SELECTOR, "main li a")]
    assert len(greens) >= 10
    for green in greens[some]:
        for said in SAID:
            page.driver.get(green + said)
            page.run("return document.fonts.ready.then(() => 0)")
            assert (green, said, page.run(TOUCHING)) == (green, said, [])
