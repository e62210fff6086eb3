"""The log by thumb: nine holes noted while walking, last week's round from its card, where the strokes go."""

from pathlib import Path

import pytest
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys

from tests.browser.conftest import DESK, PHONE

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
ADDRESSES = ("/figures", "/figures?kind=practice&beside=rounds", "/figures?most=2+in", "/log/note?new=1")


def sign_up(page, name):
    page.go("/sign-up")
    page.find("#name").send_keys(name)
    page.find("#password").send_keys("a good long password", Keys.ENTER)
    page.until(lambda: "Read it." in page.text("h1"), "signed up")


def test_nine_holes_are_noted_with_one_thumb(page):
    page.size(PHONE)
    sign_up(page, "Tove who walks")
    page.go("/rounds")
    page.find("#course").send_keys("Ternholm Links")
    page.press("Begin")
    for hole in range(1, 10):
        page.see(f"Hole {hole}", "h1")
        page.press("12")
        ActionChains(page.driver).move_to_element_with_offset(page.find("#target"), 30, -50).click().perform()
        page.until(lambda: page.value("along") and page.value("across"))
        if hole % 3 == 0:
            page.press("Keep the place")
            page.see("second putt", "h1")
            assert page.value("length").endswith("ft")
        page.press("Holed")
    page.see("Noted: hole 9, second putt")
    page.press("How was it?")
    page.run("document.querySelector('#read-1').click()")
    page.press("This round")
    page.see("12 putts on 9 greens")
    page.see("read right")
    page.press("End it")
    page.press("Its figures")
    page.see("12 putts", "#figures")
    assert page.run("return document.documentElement.scrollWidth <= innerWidth")


def test_what_a_thumb_needs_is_in_sight_on_a_phone(page):
    page.size(PHONE)
    sign_up(page, "Tove of the thumb")
    page.go("/log/note")
    for selector in ("#length", "[data-length]", "#target", "[name=holed]", "[name=kept]", "[name=missed]"):
        box = page.run(
            "const b = document.querySelector(arguments[0]).getBoundingClientRect();"
            "return [b.top, b.bottom, b.height]",
            selector,
        )
        assert box[0] >= 0, selector
        assert box[1] <= PHONE["height"], selector
        assert box[2] >= 44, selector


def test_drawn_to_another_scale_nothing_that_was_tapped_or_typed_is_lost(page):
    sign_up(page, "Tove who looks twice")
    page.go("/log/note")
    page.find("#length").send_keys("31 ft")
    ActionChains(page.driver).move_to_element_with_offset(page.find("#target"), -60, -30).click().perform()
    along, across = page.value("along"), page.value("across")
    page.press("15 ft")
    page.until(lambda: page.text("#drawn [aria-current]") == "15 ft")
    assert (page.value("length"), page.value("along"), page.value("across")) == ("31 ft", along, across)
    dot = page.run(
        "const { cx, cy } = document.querySelector('[data-part=finish-dot]');"
        "return [cx.baseVal.value, cy.baseVal.value]"
    )
    per_inch = float(page.find("#target").get_attribute("data-per-near"))
    assert 300 - dot[0] == pytest.approx(int(across.split()[0]) * per_inch, abs=0.1)
    assert 300 - dot[1] == pytest.approx(int(along.split()[0]) * per_inch, abs=0.1)


def test_a_putt_taken_back_is_there_again_with_undo(page):
    sign_up(page, "Tove of two minds")
    page.go("/log/note")
    page.find("#length").send_keys("9 ft")
    page.press("Missed")
    page.see("Noted: 9 ft, missed")
    page.press("Undo")
    page.see("The putt is deleted.")
    page.press("Undo")
    page.see("1 putt, newest first")


def test_last_weeks_round_is_typed_from_its_card_and_a_slip_is_named(page):
    page.expected_errors = ("422",)
    sign_up(page, "Tove of the card")
    page.go("/rounds")
    page.press("Type one from its card")
    for hole, putts in enumerate("212312021", start=1):
        page.find(f"#h{hole}-putts").send_keys(putts)
    page.find("#h1-first").send_keys("20 ft")
    page.find("#h7-first").send_keys("5 ft")
    page.press("Keep the round")
    page.see("Hole 7: How many putts was it?")
    page.find("#h7-first").clear()
    page.press("Keep the round")
    page.see("14 putts on 9 greens, 1 three-putt")


def test_figures_follow_the_filter_and_open_their_putts(page):
    page.as_wren()
    page.go("/figures")
    before = page.text("#figures table")
    page.press("Which putts, which time")
    page.run(
        "const kind = document.querySelector('#kind'); kind.value = 'practice';"
        "kind.dispatchEvent(new Event('change', {bubbles: true}))"
    )
    page.until(lambda: page.text("#figures table") != before)
    assert "kind=practice" in page.driver.current_url
    count = page.find("#figures td a").text
    page.find("#figures td a").click()
    page.see(f"{count}, newest first")
    page.press("All putts")
    page.see("300 putts, newest first")


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_no_label_touches_another_or_a_line(page, metrics):
    page.size(metrics)
    page.as_wren()
    for address in ADDRESSES:
        page.go(address)
        page.run("return document.fonts.ready.then(() => 0)")
        assert (address, page.run(TOUCHING)) == (address, [])


def test_a_round_without_scripts(page):
    page.without_scripts()
    sign_up(page, "Tove without scripts")
    page.go("/rounds")
    page.press("Begin")
    page.find("#length").send_keys("12 ft")
    page.find("#along").send_keys("2 ft")
    page.find("#across").send_keys("0")
    page.press("Keep the place")
    page.until(lambda: "second putt" in page.text("h1"))
    page.press("Holed")
    page.until(lambda: "Noted: hole 1, second putt" in page.text())
    page.press("How was it?")
    page.press("Keep it")
    page.press("This round")
    page.until(lambda: "2 putts on 1 green" in page.text())
