"""Through the golfer's eyes by hand: the head turned, the aim dragged, the putt walked round."""

import re
import threading
from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys

from tests.browser.conftest import DESK, PHONE
from tests.reads import SPINDRIFT

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
LYING = {"width": 844, "height": 390, "deviceScaleFactor": 2, "mobile": True}
MIDDLE = """
const box = document.querySelector(arguments[0]).getBoundingClientRect();
return [box.x + box.width / 2, box.y + box.height / 2, box.width, box.height];
"""


PRESS = """
const way = [...document.querySelectorAll(".looks a")].find((one) => one.textContent === arguments[0]);
way?.click();
return Boolean(way);
"""


def middle(page, selector):
    x, y, _, _ = page.run(MIDDLE, selector)
    return x, y


def open_eyes(page, path="/read", **query):
    page.go(path, **query)
    page.press("Through your eyes")
    page.until(lambda: page.all("#eyes [data-part=grid]"))


def look(page, words):
    """Press one of the ways to look; the part that has them may just be swapped."""
    page.until(lambda: page.run(PRESS, words))


def way_seen(page):
    return page.run("return document.querySelector('#eyes [data-part=way]')?.getAttribute('d')")


def drag(page, element, dx, dy):
    chain = ActionChains(page.driver, duration=30).click_and_hold(element)
    for _ in range(4):
        chain = chain.move_by_offset(dx // 4, dy // 4)
    chain.release().perform()


def two_tiers(page):
    """Return the address of a read on the two-tier green of Ternholm."""
    page.as_wren()
    page.go("/greens")
    page.press("Breakwater")
    page.press("Putt")
    page.until(lambda: page.all("#glimpse [data-part=grid]"))
    return page.find("#read-it").get_attribute("href").removeprefix(page.live.address)


def test_on_a_phone_behind_a_ball_on_two_tiers_one_finds_hole_aim_and_fingers(page):
    page.size(PHONE)
    open_eyes(page, two_tiers(page))
    assert not page.find("#plan").is_displayed(), "one drawing at a time"
    look(page, "Hand gauge")
    page.until(lambda: page.all("#eyes [data-part=fingers-end]"))
    hole, aim, finger = (
        page.run(MIDDLE, f"#eyes [data-part={name}]") for name in ("hole", "aim-mark", "fingers-end")
    )
    assert finger[0] == pytest.approx(aim[0], abs=1.0), "the fingers end at the aim"
    edges = page.run(
        "return [...document.querySelectorAll('#eyes [data-part^=finger]')].flatMap((one) => {"
        "const box = one.getBoundingClientRect(); return [box.left, box.right]; })"
    )
    assert min(abs(edge - hole[0]) for edge in edges) < 2.0, "and begin at the hole"
    drag(page, page.find("#eyes svg"), 80, 0)
    page.see("Look ahead", "#eyes")
    # What was under the finger goes along.
    page.until(lambda: middle(page, "#eyes [data-part=hole]")[0] > hole[0] + 60.0)
    look(page, "Low side")
    page.see("off the line", "#seen-from")
    page.press("From above")
    page.until(lambda: page.find("#plan").is_displayed())


def test_on_a_desk_both_drawings_stand_side_by_side_and_go_together(page):
    page.size(DESK)
    page.go("/read", **SPINDRIFT)
    page.until(lambda: page.all("#eyes [data-part=way]"))
    plan, eyes = page.run(MIDDLE, "#plan"), page.run(MIDDLE, "#eyes svg")
    assert eyes[0] - eyes[2] / 2 > plan[0] + plan[2] / 2, "beside the plan"
    assert eyes[1] + eyes[3] / 2 < DESK["height"], "without scrolling"
    before = way_seen(page)
    drag(page, page.find("[data-handle=ball]"), -60, -80)
    page.until(lambda: way_seen(page) != before)
    assert page.run("return document.querySelector('#stage').children.length") == 2, "drawing and handles"
    look(page, "Plumb line")
    page.until(lambda: page.all("#plan [data-part=plumb]"), "lit on the plan too")
    assert "lit=plumb_line" in page.driver.current_url


def test_the_aim_is_dragged_in_it_and_is_the_own_read_in_both(page):
    page.size(DESK)
    page.go("/read", **SPINDRIFT)
    page.until(lambda: page.find("#eye-aim").is_displayed())
    mark, handle = middle(page, "#eyes [data-part=aim-mark]"), middle(page, "#eye-aim")
    assert handle == pytest.approx(mark, abs=2.0)
    drag(page, page.find("#eye-aim"), -48, 0)
    page.until(lambda: page.all("#eyes [data-part=own-way]"))
    page.until(lambda: page.all("#plan [data-part=own-way]"))
    page.see("Your aim is", "#call")
    own = page.find("#own").get_attribute("value")
    page.until(lambda: "frame" not in page.driver.current_url and "own=" in page.driver.current_url)
    page.find("#eye-aim").send_keys(Keys.ARROW_RIGHT)
    page.until(lambda: page.find("#own").get_attribute("value") not in ("", own))
    inches = [float(re.match(r"[\d.]+", one)[0]) for one in (own, page.find("#own").get_attribute("value"))]
    assert abs(inches[1] - inches[0]) == pytest.approx(1.0, abs=0.3)


def test_a_first_impression_is_dragged_in_it_while_the_read_is_held_back(page):
    page.size(DESK)
    page.go("/read", **SPINDRIFT, first="1")
    page.until(lambda: page.all("#eyes [data-part=impression]"))
    drag(page, page.find("#eye-aim"), 40, 0)
    page.see("First impression:", "#call")
    page.until(lambda: page.all("#eyes [data-part=impression-line]"))
    assert not page.all("[data-part=way]"), "the read is still held back"


def test_keys_turn_the_head_and_home_looks_ahead(page):
    page.size(DESK)
    page.go("/eyes", **SPINDRIFT)
    eyes = page.find("#eyes")
    start = middle(page, "#eyes [data-part=hole]")
    eyes.send_keys(Keys.ARROW_RIGHT)
    page.until(lambda: middle(page, "#eyes [data-part=hole]")[0] < start[0] - 20.0)
    page.find("#eyes").send_keys(Keys.ARROW_DOWN)
    page.until(lambda: middle(page, "#eyes [data-part=hole]")[1] < start[1] - 20.0)
    page.find("#eyes").send_keys(Keys.HOME)
    page.until(lambda: middle(page, "#eyes [data-part=hole]") == pytest.approx(start, abs=1.0))


def test_the_ball_rolls_in_both_drawings_and_smaller_as_it_goes(page):
    page.size(DESK)
    page.go("/read", **SPINDRIFT)
    page.until(lambda: page.all("#eyes [data-part=ball]"))
    radius = float(page.find("#eyes [data-part=rolling]").get_attribute("r"))
    page.press("Roll it")
    for where in ("#plan", "#eyes"):
        page.until(
            lambda where=where: (
                float(page.find(f"{where} [data-part=rolling]").get_attribute("data-seconds") or 0) > 3.0
            )
        )
    assert float(page.find("#eyes [data-part=rolling]").get_attribute("r")) < radius


def test_a_phone_that_lies_shows_it_over_the_whole_screen(page):
    page.size(PHONE)
    open_eyes(page, **SPINDRIFT)
    page.size(LYING)
    page.until(lambda: page.run(MIDDLE, "#eyes")[2:] == [844, 390])
    page.until(lambda: page.run("return document.querySelector('#eyes svg').viewBox.baseVal.width") > 800)
    look(page, "Back")
    page.until(lambda: page.find("#plan").is_displayed())


def test_what_was_asked_last_is_seen_last(page, live):
    page.size(DESK)
    page.go("/eyes", **SPINDRIFT)
    live.slow["turn=5&"] = threading.Event()
    for _ in range(3):
        page.find("#eyes").send_keys(Keys.ARROW_RIGHT)
    page.run("return new Promise(done => setTimeout(done, 300))")
    live.slow["turn=5&"].set()
    page.until(lambda: '"turn":"15"' in page.find("#seen").get_attribute("data-asks"))
    page.run("return new Promise(done => setTimeout(done, 300))")
    assert '"turn":"15"' in page.find("#seen").get_attribute("data-asks")


def test_it_is_closed_for_good_on_a_desk_and_opened_by_its_key(page):
    page.size(DESK)
    page.go("/read", **SPINDRIFT)
    page.until(lambda: page.all("#eyes [data-part=way]"))
    ActionChains(page.driver).send_keys("e").perform()
    page.go("/read", **SPINDRIFT)
    page.see("Break", "#more")
    assert not page.find("#eyes").is_displayed()
    ActionChains(page.driver).send_keys("e").perform()
    page.until(lambda: page.find("#eyes").is_displayed())


@pytest.mark.parametrize("size", [DESK, PHONE], ids=["desk", "phone"])
@pytest.mark.parametrize(
    "way", ["lit=hand_gauge", "lit=plumb_line", "stop=low_side&crouch=1", "stop=hole", "first=1"]
)
def test_no_label_touches_another_or_a_line(page, size, way):
    page.size(size)
    page.go(
        "/eyes?" + way,
    )
    page.until(lambda: page.all("#eyes [data-part=grid]"))
    page.run("return document.fonts.ready.then(() => true)")
    assert page.run(TOUCHING) == []


def test_without_scripts_each_way_to_look_is_a_page(page):
    page.without_scripts()
    page.go("/read", **SPINDRIFT)
    page.press("Through your eyes")
    page.press("Draw it")
    page.press("Low side")
    assert "off the line" in page.text("#seen-from")
    page.press("Back to the read")
    assert "Aim" in page.text("#call")
