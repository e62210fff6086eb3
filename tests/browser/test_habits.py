"""After a season: which it was, what is done again and again, a correction named in the next call."""

import re
from pathlib import Path

import pytest

from tests.browser.conftest import DESK, PHONE
from tests.reads import SPINDRIFT

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
RIGHT = SPINDRIFT | {"falls": "right"}


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_a_season_shows_the_side_that_is_under_read_and_its_correction_is_named(page, metrics):
    page.size(metrics)
    page.as_wren()
    page.press("Log")
    page.press("Habits")
    page.see("Left-to-right putts read by your aim: you see about a third too little break.")
    page.see("Green 2, Curlew runs")
    assert page.run(TOUCHING) == []
    page.press("Switch it on")
    page.see("It is on: your next call names it where it is meant.")
    page.go("/read", **RIGHT)
    page.see("On left-to-right putts, read by your aim, take your read and a half.", "#correction")
    page.run("document.querySelector('#own').value = '12 in'")
    page.find("#own").send_keys(" ")
    page.see("With your correction, your read and a half, you aim 18 in", "#correction")
    page.go("/habits")
    page.press("Switch it off")
    page.see("It is off.")
    assert page.run("return document.documentElement.scrollWidth <= innerWidth")


def test_one_miss_is_told_on_its_own_page_and_the_log_is_worked_through_again(page, work):
    page.size(PHONE)
    page.as_wren()
    page.press("Save the read")
    page.see("Where did it stop?")
    number = re.search(r"/log/(\d+)/", page.driver.current_url)[1]
    page.find("#along").send_keys("1 in")
    page.run("document.querySelector('[name=across_way][value=left]').click()")
    page.find("#across").send_keys("14 in")
    page.press("Keep the place")
    page.see("Noted: 14 ft")
    page.go(f"/log/{number}/finish")
    page.see("of its line", "#which-was-it")
    page.see("only the start line right", "#which-was-it")
    assert page.run(TOUCHING) == []
    page.go("/habits")
    page.see("It waits for its turn", "#working")
    work()
    page.see("Worked out")
    page.until(lambda: not page.all("#working"))
    assert "your log says more" not in page.text()


def test_with_scripts_off_it_is_a_page_of_its_own(page):
    page.as_wren()
    page.without_scripts()
    page.go("/log?only=stopped")
    page.press("Which was it")
    page.until(lambda: "Which was it?" in page.text("h1"))
    assert page.find("#which").is_displayed()
    page.press("What you do again and again")
    page.until(lambda: "again and again" in page.text("h1"))
    page.press("Switch it on")
    page.until(lambda: "It is on" in page.text())
    page.press("Switch it off")
    page.until(lambda: "It is off" in page.text())
