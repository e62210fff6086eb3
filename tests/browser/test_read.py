"""Reading a putt as a golfer does: drag, type, step, compare, roll."""

import threading
from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys

from orthocline.drawing.lettering import text_width
from orthocline.web.shared.read_address import START
from tests.browser.conftest import DESK, PHONE
from tests.reads import SPINDRIFT, spots


def handle(page, name):
    return page.find(f"[data-handle={name}]")


def drag(page, name, dx, dy, steps=5):
    chain = ActionChains(page.driver, duration=20).click_and_hold(handle(page, name))
    for _ in range(steps):
        chain = chain.move_by_offset(dx // steps, dy // steps)
    chain.release().perform()


def call(page):
    return page.text("#call h1")


def test_dragging_the_ball_moves_the_call_and_the_address(page):
    page.go("/read", **SPINDRIFT)
    before = call(page)
    drag(page, "ball", 0, -120)
    page.until(
        lambda: "length=14+ft" not in page.driver.current_url, "the address follows when it is dropped"
    )
    length = float(page.value("length").split()[0])
    assert 9.0 < length < 11.5
    assert page.focused() == "ball"
    assert f"length={length:g}+ft" in page.driver.current_url
    after = call(page)
    assert after != before
    page.driver.refresh()
    assert call(page) == after


def test_while_the_ball_is_held_the_drawing_keeps_still(page):
    page.go("/read", **SPINDRIFT)
    hole = page.run("return document.querySelector('#plan').dataset.holeX")
    ActionChains(page.driver).click_and_hold(handle(page, "ball")).move_by_offset(-150, -60).perform()
    page.until(lambda: float(page.run("return document.querySelector('#plan').dataset.turn")) > 5)
    assert float(page.run("return document.querySelector('#plan').dataset.holeX")) == pytest.approx(
        float(hole), abs=0.01
    )
    ball = page.run(
        "const h = document.querySelector('[data-handle=ball]').getBoundingClientRect();"
        "const b = document.querySelector('#plan [data-part=ball]').getBoundingClientRect();"
        "return Math.hypot(h.x + h.width / 2 - b.x - b.width / 2, h.y + h.height / 2 - b.y - b.height / 2)"
    )
    assert ball < 3, "the drawn ball is under the pointer"
    ActionChains(page.driver).release().perform()
    page.until(lambda: page.run("return document.querySelector('#plan').dataset.turn") == "0")
    assert page.value("rise") != "1 in"


def test_dragging_the_fall_and_the_roll_past(page):
    page.go("/read", **SPINDRIFT)
    drag(page, "fall", 70, 0)
    # The tools beside the putt carry its fields too, hidden: the golfer's own is the one that can be chosen.
    page.until(lambda: page.find("[type=radio][name=falls][value=right]").is_selected())
    page.see("left of centre", "#call")
    # A frame of the drag says that too: the whole answer fits the drawing anew, and moves the handles.
    whole = "return 'speed' in JSON.parse(document.querySelector('#drawing').dataset.values)"
    page.until(lambda: page.run(whole), "the hand has let go")
    drag(page, "past", 0, -60)
    page.until(lambda: float(page.value("past").split()[0]) > 15)


def test_keys_step_handles_and_figures_without_losing_focus(page):
    page.go("/read", **SPINDRIFT)
    handle(page, "ball").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("length") == "15 ft")
    assert page.focused() == "ball"
    handle(page, "ball").send_keys(Keys.ARROW_LEFT)
    page.until(lambda: float(page.value("rise").split()[0]) > 0.9, "from the low side it is more uphill")
    handle(page, "past").send_keys(Keys.ARROW_DOWN)
    page.until(lambda: page.value("past") == "8 in")
    handle(page, "fall").send_keys(Keys.ARROW_RIGHT)
    page.until(lambda: page.focused() == "fall")
    field = page.find("#speed")
    field.send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("speed") == "10.3")
    assert page.focused() == "speed"


def test_typing_redraws_and_keeps_the_field(page):
    page.go("/read", **START)
    field = page.find("#length")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("6 paces")
    page.see("18", "#profile, #call, #more")
    page.until(lambda: "length=6+paces" in page.driver.current_url)
    assert (page.focused(), page.value("length")) == ("length", "6 paces")


def test_a_bad_figure_is_told_beside_its_field_and_nothing_is_lost(page):
    page.expected_errors = ("422",)
    page.go("/read", **SPINDRIFT)
    field = page.find("#side")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("steep")
    page.see("Tilt cannot be read", "#side-message")
    page.see("Not read yet", "#call")
    assert page.value("side") == "steep"
    assert page.all("#plan"), "the last drawing stays"
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("1 %")
    page.see("right of centre", "#call")
    assert page.text("#side-message") == ""


def test_a_late_answer_never_overtakes_a_newer_one(page, live):
    page.expected_errors = ("htmx:afterRequest", "htmx:sendAbort")
    page.go("/read", **START)
    live.slow["length=20+ft"] = threading.Event()
    field = page.find("#length")
    for words in ("20 ft", "30 ft"):
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(words)
        page.run("return new Promise(done => setTimeout(done, 250))")
    page.until(lambda: "length=30+ft" in page.driver.current_url)
    newest = call(page)
    live.slow["length=20+ft"].set()
    page.run("return new Promise(done => setTimeout(done, 300))")
    assert (call(page), page.value("length")) == (newest, "30 ft")


def test_my_read_first_then_both_are_drawn(page):
    page.go("/read", **SPINDRIFT)
    page.find("[name=first]").click()
    page.see("where would you aim?", "#call")
    page.until(lambda: not page.all("[data-part=way]"), "nor through the eyes")
    page.find("#own").send_keys("9 in")
    page.see("Your aim is 8¾ in left of the read: it would pass", "#call")
    page.see("17¾ in right", "#call")
    assert page.all("#plan [data-part=own-way]"), "the ball of the own aim is drawn"


def rolled_seconds(page):
    return page.run("return +(document.querySelector('#plan [data-part=rolling]').dataset.seconds || 0)")


def test_roll_it_takes_real_time(page):
    page.go("/read", **SPINDRIFT)
    page.find("#beat").click()
    page.find("body").click()
    start = page.run("return performance.now()")
    ActionChains(page.driver).send_keys(Keys.SPACE).perform()
    page.until(lambda: rolled_seconds(page) >= 3.07)
    assert page.run("return performance.now()") - start > 2900
    hole, ball = (
        page.run(
            f"const c = document.querySelector('{s}'); return [+c.getAttribute('cx'), +c.getAttribute('cy')]"
        )
        for s in ("#plan [data-part=hole]", "#plan [data-part=rolling]")
    )
    assert ball == pytest.approx(hole, abs=1.0)


def test_reduced_motion_skips_the_roll(page):
    feature = [{"name": "prefers-reduced-motion", "value": "reduce"}]
    page.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": feature})
    page.go("/read", **SPINDRIFT)
    start = page.run("return performance.now()")
    page.find("#roll").click()
    page.until(lambda: rolled_seconds(page) >= 3.0)
    assert page.run("return performance.now()") - start < 1500
    page.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": []})


EXTREMES = {
    "demo": SPINDRIFT,
    "flat": {**START, "length": "3 ft", "side": "0 %"},
    "long": {**START, "length": "60 ft", "side": "4 %", "rise": "4 %", "slope": "down"},
    "six-feet-out": {**START, "length": "30 ft", "side": "3 %", "rise": "1 %", "slope": "down"},
    "left": {**START, "length": "25 ft", "side": "3 %", "falls": "right"},
    "own": {**SPINDRIFT, "own": "30 in", "own_side": "left"},
    "uphill": {**START, "length": "40 ft", "side": "0.2 %", "rise": "3 %"},
    "steep": {**START, "side": "7 %", "rise": "8 %", "slope": "down", "speed": "12"},
    "names": {**SPINDRIFT, "green": "W" * 80},
    "places": {**SPINDRIFT, **spots(("1/4", "left", "2.4 %", "level"), ("3/4", "right", "2 %", "feet"))},
    "places-long": {
        **START,
        "length": "60 ft",
        **spots(("1/3", "hole", "4 %", "feet"), ("hole", "left", "", "spill")),
    },
    "places-short": {
        **START,
        "length": "3 ft",
        **spots(("1/2", "left", "6 %", "level"), ("1/2", "ball", "2 %", "level")),
    },
    "felt": {**SPINDRIFT, "side_from": "feet", "length_from": "usual_paces"},
    "felt-flat": {**START, "length": "3 ft", "side": "0 %", "side_from": "feet"},
    "felt-long": {
        **START,
        "length": "60 ft",
        "side": "4 %",
        "slope": "down",
        "rise": "4 %",
        "side_from": "eye",
    },
    "fan": {**SPINDRIFT, "side_from": "level", "fan": "1", "tries": "12 in right, 14 in right, 16 in right"},
}
TOUCHING = (Path(__file__).parent / "touching.js").read_text()


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
@pytest.mark.parametrize("name", EXTREMES)
def test_no_label_touches_another_or_a_path(page, metrics, name):
    page.size(metrics)
    page.go("/read", **EXTREMES[name])
    page.run("return document.fonts.ready.then(() => 0)")
    assert page.run(TOUCHING) == []


def test_words_are_as_wide_as_the_drawing_takes_them_to_be(page):
    page.go("/read", **SPINDRIFT)
    page.run("return document.fonts.ready.then(() => 0)")
    texts = page.run(
        "return [...document.querySelectorAll('#plan text, #cup text, #side-view text')]"
        ".map((t) => [t.textContent, parseFloat(getComputedStyle(t).fontSize), t.getComputedTextLength()])"
    )
    assert len(texts) > 12
    for words, size, width in texts:
        assert text_width(words, size) == pytest.approx(width, rel=0.02), words


def test_the_whole_answer_is_seen_without_scrolling(page):
    for metrics in (DESK, PHONE):
        page.size(metrics)
        page.go("/read", **SPINDRIFT)
        for selector in ("#call h1", "#plan", "#length", "#side", "#rise", "#past", "#roll", "#save button"):
            box = page.run(f"return document.querySelector('{selector}').getBoundingClientRect().toJSON()")
            assert box["height"] > 0, selector
            assert box["top"] >= 0, selector
            assert box["bottom"] <= metrics["height"], selector


def test_the_other_calls_are_in_a_fold_that_stays_as_it_is(page):
    page.go("/read", **SPINDRIFT)
    assert not page.find("#rest").is_displayed()
    page.press("In other words")
    page.see("Drops within", "#rest")
    before = page.text("#rest")
    page.find("#length").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.text("#rest") != before)
    assert page.find("#rest").is_displayed()


def test_nothing_is_rolled_while_there_is_nothing_to_roll(page):
    page.go("/read", **SPINDRIFT)
    assert page.find("#roll").is_enabled()
    page.find("input[name=first]").click()
    page.until(lambda: not page.find("#roll").is_enabled())
    page.find("#own").send_keys("9 in")
    page.until(lambda: page.find("#roll").is_enabled())


def test_single_keys_roll_and_save_until_they_are_turned_off(page):
    page.go("/read", **SPINDRIFT)
    page.find("body").send_keys(" ")
    page.until(lambda: rolled_seconds(page) > 0)
    page.go("/keys")
    page.press("turn them off")
    page.see("Single keys are off")
    page.go("/read", **SPINDRIFT)
    page.find("body").send_keys(" ", "s")
    handle(page, "ball").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("length") == "15 ft", "the arrows go on")
    assert rolled_seconds(page) == 0
    assert "/read" in page.driver.current_url


def test_on_a_phone_golfer_and_mode_are_behind_one_button(page):
    page.expected_errors = ("403",)
    page.size(PHONE)
    page.as_wren()
    assert page.text(".who summary span[aria-hidden]") == "WH"
    page.find(".who summary").click()
    page.find(".who button").click()
    page.see("Off in Competition")
    assert page.text(".who summary span[aria-hidden]") == "C"
    page.find(".who summary").click()
    page.find(".who a").click()
    page.until(lambda: page.driver.current_url.endswith("/account"))


def test_on_a_phone_the_call_comes_first_and_targets_fit_a_thumb(page):
    page.size(PHONE)
    page.go("/read", **SPINDRIFT)
    tops = [page.find(s).rect["y"] for s in ("#call", "#plan", "#length")]
    assert tops == sorted(tops)
    for target in page.all(".box-step, #roll, #save button, nav a, .handle:not([hidden])"):
        size = target.rect
        assert min(size["width"], size["height"]) >= 40, target.get_attribute("outerHTML")[:80]


def test_page_weight(page):
    """Under 200 kB over the wire, fonts included, on a first visit."""
    page.forget()
    page.go("/read", **SPINDRIFT)
    page.run("return document.fonts.ready.then(() => 0)")
    weight = page.run(
        "return [performance.getEntriesByType('navigation')[0], ...performance.getEntriesByType('resource')]"
        ".reduce((sum, e) => sum + e.transferSize, 0)"
    )
    assert 80_000 < weight < 200_000
