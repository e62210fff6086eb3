"""Pages whose drawing is dragged: the straight putt, the cup's rim, watched balls; by pointer and by keys."""

from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.support.select import Select

from tests.browser.conftest import DESK, PHONE

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
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


LONG = (
    "length=60+ft&side=4+%25&falls=left&rise=4+%25&slope=down&speed=12&past=12+in&side_from=eye&rise_from=eye"
)
DRAWINGS = {
    "dial": f"/straight?{PUTT}",
    "dial long": f"/straight?{LONG}",
    "dial short": "/straight?length=3+ft&side=0.2+%25&rise=0.1+%25&speed=10&past=12+in",
    "dial by plate": f"/straight?{PUTT}&by=plate",
    "dial grown": f"/straight?{PUTT}&grain=0.3&grain_toward=30",
    "rim": f"/grain?{PUTT}",
    "rim full": f"/grain?{PUTT}&worn=4&sharp=9&clippings=5&sheen=dark&sheen_at=10",
    "rim at odds": f"/grain?{PUTT}&worn=12&sharp=12&clippings=6&sheen=shiny&sheen_at=6",
    "ball": f"/balls?{PUTT}&start=16+ft+5+h&stopped=2+ft+past+8+in+left&seen_line=18+in+right",
    "ball last": f"/balls?{PUTT}&start=16+ft+7+h&stopped=2+ft+past&seen_last=25+deg+left",
    "ball on the own line": f"/balls?{PUTT}&start=14+ft+6+h&stopped=0+in+past",
    "ball beyond": f"/balls?{PUTT}&start=20+ft+1+h&stopped=3+ft+short+2+ft+right",
    "ball far": f"/balls?{LONG}&start=90+ft+3+h&stopped=20+ft+short+6+ft+left&seen_line=10+ft+left",
    "own ball": f"/balls?{PUTT}&whose=own&stopped=1+ft+short+14+in+left",
    "own ball past": f"/balls?{LONG}&whose=own&stopped=30+ft+past+8+ft+left",
}


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_no_label_touches_another_or_a_line(page, metrics):
    page.size(metrics)
    for name, address in DRAWINGS.items():
        page.go(address)
        page.run("return document.fonts.ready.then(() => 0)")
        assert (name, page.run(TOUCHING)) == (name, [])
        assert page.all("main svg text"), name
