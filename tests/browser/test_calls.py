"""The calls of the Read page by hand: which lead is dragged or moved by keys, and a tap lights one."""

from base64 import b64decode
from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys

from orthocline.core.calls import SCHOOLS
from tests.browser.conftest import DESK, PHONE
from tests.reads import SPINDRIFT

TOUCHING = (Path(__file__).parent / "touching.js").read_text()


def leading(page):
    return page.run("return [...document.querySelectorAll('#more .calls button')].map((one) => one.value)")


def open_choice(page):
    page.press("In other words")
    page.press("Choose which lead")


def test_a_tap_lights_a_call_and_dims_the_others(page):
    page.go("/read", **SPINDRIFT)
    page.press("In other words")
    page.find("#rest .calls [value=hand_gauge]").click()
    page.until(lambda: page.all("#plan [data-part=finger]"))
    assert "lit=hand_gauge" in page.driver.current_url
    faint = page.run("return getComputedStyle(document.querySelector('#plan [data-part=faint]')).opacity")
    assert float(faint) < 0.5
    assert page.find("#rest").is_displayed(), "the fold stays as it is"
    page.find("#rest .calls [value=hand_gauge]").click()
    page.until(lambda: not page.all("#plan [data-part=finger]"))
    page.until(lambda: "lit=" not in page.driver.current_url)


def test_a_digit_lights_the_call_that_leads_at_that_place(page):
    page.go("/read", **SPINDRIFT)
    ActionChains(page.driver).send_keys("3").perform()
    page.until(lambda: page.all("#plan [data-part=pace-target]"))


def test_calls_are_chosen_and_ordered_by_keys_and_the_focus_stays(page):
    page.go("/read", **SPINDRIFT)
    open_choice(page)
    page.find("#grip-cup_entry").send_keys(Keys.ARROW_UP)
    page.until(lambda: leading(page)[-1] == "cup_entry")
    page.until(lambda: page.run("return document.activeElement.id") == "grip-cup_entry")
    page.find("#grip-cup_entry").send_keys(Keys.ARROW_UP)
    page.until(lambda: leading(page) == ["aim_spot", "curve_gate", "cup_entry", "pace_target"])
    assert "cup_entry" in page.driver.current_url


def test_a_golfer_drags_a_call_to_the_top_and_finds_it_there_again(page):
    page.as_wren()
    page.go("/read", **SPINDRIFT)
    open_choice(page)
    first = page.find("#choosing li")
    chain = ActionChains(page.driver, duration=20).click_and_hold(page.find("#grip-hand_gauge"))
    chain.move_to_element_with_offset(first, 0, -8).move_by_offset(0, -4).release().perform()
    page.until(lambda: leading(page)[0] == "hand_gauge")
    page.go("/read")
    assert leading(page)[0] == "hand_gauge"
    open_choice(page)
    page.press("As they were at first")
    page.until(lambda: leading(page) == ["aim_spot", "curve_gate", "pace_target"])


def test_without_scripts_calls_are_lit_and_chosen_by_buttons(page):
    page.without_scripts()
    page.go("/read", **SPINDRIFT)
    page.find("#more .calls [value=curve_gate]").click()
    assert "lit=" not in page.driver.current_url.partition("light=")[0] or page.all("[data-part=faint]")
    page.see("Curve gate", "#more [aria-pressed=true]")
    open_choice(page)
    page.find("#choosing [value='lead:instinct']").click()
    page.see("Without numbers", "#more")


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_no_label_touches_another_whichever_call_is_lit(page, metrics):
    page.size(metrics)
    for name in SCHOOLS:
        page.go("/read", **SPINDRIFT, lit=name)
        page.run("return document.fonts.ready.then(() => 0)")
        assert page.run(TOUCHING) == [], name


def test_a_first_impression_is_dragged_then_the_read_is_given_in_own_words(page):
    page.go("/read", **SPINDRIFT, first="1")
    page.see("Your read first", "#call h1")
    ActionChains(page.driver, duration=20).click_and_hold(page.find("[data-handle=aim]")).move_by_offset(
        20, 0
    ).move_by_offset(14, 0).release().perform()
    page.until(lambda: "impression=" in page.driver.current_url)
    page.find("[data-handle=aim]").send_keys(Keys.ARROW_RIGHT)
    before = page.value("impression")
    page.find("#impression").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("impression") != before, "it can be stepped and typed too")
    page.see("First impression:", "#call")
    assert not page.all("#plan [data-part=way]"), "the call waits"
    page.run(
        "document.querySelector('#own_by').value = 'hand_gauge'; document.querySelector('#own_by')"
        ".dispatchEvent(new Event('change', { bubbles: true }))"
    )
    assert page.run("return document.querySelector('#own').placeholder") == "2 fingers left"
    page.find("#own").send_keys("1½ fingers right")
    page.see("Your hand gauge is", "#own-words")
    page.see("Your first impression was", "#impression-words")
    assert len(page.all("#plan [data-part=own-way]")) == 2


def press_key(page, key):
    ActionChains(page.driver).send_keys(key).perform()


def test_the_sheet_of_keys_opens_and_closes(page):
    page.go("/read", **SPINDRIFT)
    press_key(page, "?")
    page.see("light the call that leads", "#keys")
    press_key(page, "w")
    assert not page.run("return document.querySelector('#window-fold').open"), "the sheet has the keys"
    press_key(page, Keys.ESCAPE)
    page.until(lambda: not page.run("return document.querySelector('#keys').open"))


def test_each_drawing_has_its_key(page):
    page.go("/read", **SPINDRIFT)
    for key, fold in (("o", "calls"), ("n", "find-out"), ("h", "how-firm"), ("w", "window-fold")):
        press_key(page, key)
        page.until(lambda fold=fold: page.run(f"return document.querySelector('#{fold}').open"))
        press_key(page, key)
        page.until(lambda fold=fold: not page.run(f"return document.querySelector('#{fold}').open"))
    press_key(page, "f")
    page.until(lambda: page.all("#start-lines svg"))
    for key, drawing in (("p", "stage"), ("c", "cup-part"), ("v", "profile")):
        press_key(page, key)
        page.until(lambda drawing=drawing: page.run("return document.activeElement.id") == drawing)


def test_a_read_prints_on_one_sheet_with_every_call(page):
    for asked in (SPINDRIFT, {**SPINDRIFT, "length": "60 ft", "rise": "4 %", "slope": "down", "lit": "apex"}):
        page.go("/read", **asked)
        printed = page.driver.execute_cdp_cmd("Page.printToPDF", {"preferCSSPageSize": True})
        assert b64decode(printed["data"]).count(b"/Type /Page\n") == 1
    page.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"media": "print"})
    shown = page.run(
        "return [...document.querySelectorAll('.calls [name=light]')]"
        ".filter((one) => one.getBoundingClientRect().height > 8).map((one) => one.value)"
    )
    assert set(shown) == set(SCHOOLS)
    assert page.find("#plan").is_displayed()
    assert not [one for one in page.all("#roll, #own, nav, #choosing, .grip") if one.is_displayed()]
    page.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"media": ""})


def test_two_schools_are_chosen_and_set_side_by_side(page):
    page.go("/schools", **SPINDRIFT)
    page.see("They part", "#parting")
    page.run(
        "const one = document.querySelector('#one'); one.value = 'curve_gate';"
        "document.querySelector('#other').value = 'level_twin';"
        "one.dispatchEvent(new Event('change', { bubbles: true }))"
    )
    page.see("Both roll the same ball.", "#parting")
    page.until(lambda: "one=curve_gate&other=level_twin" in page.driver.current_url)
    for metrics in (DESK, PHONE):
        page.size(metrics)
        page.go("/schools", **SPINDRIFT)
        page.run("return document.fonts.ready.then(() => 0)")
        assert page.run(TOUCHING) == []
