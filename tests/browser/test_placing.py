"""Pages whose drawing is dragged: the straight putt, the cup's rim, watched balls; by pointer and by keys."""

import pytest
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.support.select import Select

from tests.browser.conftest import DESK, PHONE

PUTT = "length=14+ft&side=2+%25&falls=left&rise=0+%25&speed=10&past=12+in&side_from=feet&rise_from=feet"


def drag(page, pin, right, down):
    """Drag a handle so far on the sheet, in shares of its width."""
    handle, width = page.find(f"#pin-{pin}"), page.find("#stage svg").size["width"]
    page.run("arguments[0].scrollIntoView({block: 'center'})", handle)
    chain = ActionChains(page.driver).click_and_hold(handle)
    for _ in range(4):
        chain = chain.move_by_offset(int(right * width / 4), int(down * width / 4))
    chain.release().perform()


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_who_has_only_a_plate_finds_the_straight_putt_and_reads_the_own(page, metrics):
    page.size(metrics)
    page.go(f"/read?{PUTT}")
    page.press("Find the straight putt")
    page.press("By a plate or bubble")
    page.until(lambda: page.all("#spot-0-size"))
    before = page.text("#own")
    hour = page.find("#spot-0-size")
    hour.send_keys(Keys.CONTROL + "a")
    hour.send_keys("8 h", Keys.ENTER)
    page.until(lambda: page.text("#own") != before)
    page.see("4 o'clock", "#own")
    drag(page, "ball", -0.3, -0.1)
    page.until(lambda: "4 o'clock" not in page.text("#own"))
    assert page.run("return document.documentElement.scrollWidth") <= metrics["width"]
    own = page.text("#own")
    page.find("#pin-ball").send_keys(Keys.ARROW_LEFT * 8)
    page.until(lambda: page.text("#own") != own)
    assert page.focused() == "pin-ball"
    page.press("Read it")
    page.see("Between", "#range")


def test_the_worn_edge_is_dragged_round_the_cup(page):
    page.size(PHONE)
    page.go(f"/read?{PUTT}")
    page.press("Grain, wind and place")
    page.press("See the grain")
    Select(page.find("#worn")).select_by_value("3")
    page.until(lambda: "3 o'clock" in page.text("#lead"))
    page.find("#pin-worn").send_keys(Keys.ARROW_RIGHT)
    page.until(lambda: "4 o'clock" in page.text("#lead"))
    drag(page, "worn", -0.5, 0.0)
    page.until(lambda: page.value("worn") in ("8", "9"))
    page.press("Read it")
    page.see("grain is worth", "#call")


def test_a_watched_ball_is_dragged_and_added(page):
    page.size(DESK)
    page.go(f"/balls?{PUTT}&start=14+ft+6+h&stopped=1+ft+past&seen_line=12+in+right")
    said = page.text("#lead")
    drag(page, "stop", -0.1, 0.0)
    page.until(lambda: page.text("#lead") != said and "left" in page.value("stopped"))
    stopped = page.value("stopped")
    page.find("#pin-stop").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("stopped") != stopped)
    drag(page, "line", 0.1, 0.0)
    page.until(lambda: "deg right" in page.value("seen_line"))
    page.press("My own last ball")
    page.see("Struck straight at the hole", "#placed")
    page.press("Add it")
    page.until(lambda: len(page.all(".spots > li")) == 4)


@pytest.mark.parametrize(
    ("address", "field", "typed", "button", "says"),
    [
        ("/straight", "ball", "7 h", "Find it", "7 o'clock"),
        ("/grain", "grain", "strong", "Work it out", "worth 1.2 %"),
        ("/balls", "stopped", "9 in left", "Work it out", "to its left"),
    ],
)
def test_without_scripts_a_button_works_it_out(page, address, field, typed, button, says):
    page.size(DESK)
    page.without_scripts()
    page.go(f"{address}?{PUTT}&worn=3")
    box = page.find(f"#{field}")
    box.clear()
    box.send_keys(typed)
    page.press(button)
    page.see(says, "#placed")
