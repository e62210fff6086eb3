"""How firm, as a golfer finds out: the line beside the call, folds, a tap on the window; without scripts."""

import re

import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from tests.browser.conftest import DESK, PHONE
from tests.browser.test_speed import TOUCHING

TEN = {"length": "10 ft", "side": "1.5 %", "rise": "0 %", "speed": "10", "past": "2 in"}
EXTREMES = {
    "ten": "/firm?length=10+ft&side=1.5+%25&golfer=tournament&past=12+in",
    "thirty": "/firm?length=30+ft&side=1.5+%25&golfer=middle&past=36+in",
    "short": "/firm?length=3+ft&side=0+%25&golfer=new&past=12+in",
    "long": "/firm?length=60+ft&side=1+%25&rise=4+%25&slope=down&golfer=new&past=1+in",
    "wide": "/firm?length=40+ft&side=5+%25&golfer=low&past=6+in",
    "metric": "/firm?length=12+m&side=2+%25&golfer=low&past=90+cm&off_line=2+deg+left",
    "firmest": "/firm?length=8+ft&side=2+%25&golfer=low&past=10+ft",
}


TRIED = "return [...document.querySelectorAll('#plan text')].some((one) => one.textContent === 'tried')"


def advice(page):
    return page.text("#firm").replace("\u00a0", " ")


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_the_line_beside_the_call_follows_the_putt_and_is_taken_with_one_tap(page, metrics):
    page.size(metrics)
    page.go("/read", **TEN)
    page.until(lambda: "It holds its line" in advice(page))
    assert page.find("#strip").is_displayed()
    page.press("Take 12 in")
    page.until(lambda: page.value("past") == "12 in")
    page.see("Roll it one foot past.", "#call")
    page.until(lambda: not page.all("#take"))
    assert "advised" in page.text("#past-beside")
    length = page.find("#length")
    page.run("arguments[0].value = '30 ft'", length)
    length.send_keys(" ")
    page.until(lambda: "Near matters more" in advice(page))
    assert "length=30" in page.run("return location.search")


def test_who_putts_changes_the_advice_and_the_fold_stays_open(page):
    page.size(DESK)
    page.go("/read", **TEN | {"past": "12 in"})
    page.until(lambda: "It holds its line" in advice(page))
    page.press("How firm")
    page.see("What a miss leaves", "#curves")
    before = page.text("#chosen")
    page.find("#golfer option[value=tournament]").click()
    page.until(lambda: page.text("#chosen") != before)
    page.see("usual tournament golfer", "#curves")
    assert page.find("#how-firm").get_attribute("open") is not None
    assert "golfer=tournament" in page.run("return location.search")


def test_a_tap_on_the_window_rolls_that_putt_in_the_plan(page):
    page.size(DESK)
    page.go("/read", **TEN | {"past": "12 in"})
    # The advice comes after the call, and moves what stands below it.
    page.until(lambda: page.all("#strip"))
    page.press("Make window")
    page.until(lambda: page.all("#window"))
    field = page.find("#window")
    page.run("arguments[0].scrollIntoView({block: 'center'})", field)
    ActionChains(page.driver).move_to_element_with_offset(field, 120, -80).click().perform()
    page.see("it would pass", "#make-window")
    page.until(lambda: page.run(TRIED))
    said = re.match(r"([\d.]+)° right of the line, ([\d.]+) % firm", page.text("#tried-words"))
    assert page.value("off_line") == f"{said[1]} deg right"
    assert page.value("off_pace") == f"{said[2]} % firm"
    assert page.find("#window-fold").get_attribute("open") is not None
    page.press("Take it away")
    page.until(lambda: not page.all("#plan [data-part=own-way]"))


def test_reads_take_the_advised_pace_by_themselves_once_and_leave_a_typed_one(page):
    page.as_wren()
    page.go("/measures")
    page.run("document.querySelector('#pace-1').click()")
    page.press("Keep them")
    page.see("Every page follows it.")
    page.go("/read", length="8 ft", side="2 %", rise="0 %", speed="10")
    page.until(lambda: "advised" in page.text("#past-beside"))
    taken = page.value("past")
    assert taken != "9 in"
    page.until(lambda: not page.all("#take"))
    past = page.find("#past")
    past.send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("past") != taken)
    own = page.value("past")
    page.run("return new Promise(done => setTimeout(done, 1500))")
    assert page.value("past") == own


def test_without_scripts_it_is_a_page_of_its_own(page):
    page.without_scripts()
    page.size(DESK)
    page.go("/read", **TEN)
    page.press("How firm, how often")
    page.see("What a miss leaves")
    assert page.find("#pace-curves").is_displayed()
    page.press("Take 12 in")
    page.until(lambda: page.find("#past").get_attribute("value") == "12 in")


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_no_label_touches_another_or_a_line(page, metrics):
    page.size(metrics)
    for name, address in EXTREMES.items():
        page.go(address)
        page.run("return document.fonts.ready.then(() => 0)")
        assert (name, page.run(TOUCHING)) == (name, [])
        assert page.all("#window text"), name
