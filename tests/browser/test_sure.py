"""How sure a read is, as a golfer meets it: felt, a range, what would halve it, and the fan closed."""

import pytest
from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from tests.browser.conftest import DESK, PHONE
from tests.reads import SPINDRIFT


def choose(page, name, words):
    field = page.find(f"select[name={name}]")
    page.run("arguments[0].scrollIntoView({block: 'center'})", field)
    choice = Select(field)
    choice.select_by_visible_text(next(one.text for one in choice.options if one.text.startswith(words)))


def width_of_band(page):
    return page.run(
        "const b = document.querySelector('#plan [data-part=range]'); return b ? b.getBBox().width : 0"
    )


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_a_new_user_says_a_tilt_was_felt_and_learns_what_would_halve_the_range(page, metrics):
    page.size(metrics)
    page.go("/read", length="6 ft", side="1 %", past="12 in")
    assert width_of_band(page) == 0
    choose(page, "side_from", "felt ±")
    page.see("Between", "#range")
    assert "side_from=feet" in page.driver.current_url
    felt = width_of_band(page)
    assert felt > 20
    page.press("Find out next")
    page.see("A level across the line", "#next")
    page.press("note it so")
    page.until(
        lambda: Select(page.find("select[name=side_from]")).first_selected_option.text.startswith("level")
    )
    assert 0 < width_of_band(page) < 0.6 * felt
    page.press("Find out next")
    page.see("of 100 parts of the turning, but its slope counts only", "#counting")


def test_the_range_follows_a_step_and_what_is_typed(page):
    page.go("/read", **SPINDRIFT, side_from="level")
    before = page.text("#range")
    field = page.find("#side")
    field.clear()
    field.send_keys("2.1 ±0.2 %")
    page.until(lambda: page.text("#range") != before)
    assert "Between 16 and 19½ in right" in page.text("#range")
    field.send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("side") == "2.2 ±0.2 %", "the figure steps and stays as sure")


def test_the_fan_is_closed_line_by_line(page):
    page.go("/read", **SPINDRIFT, side_from="level")
    assert not page.find("#tries").is_displayed()
    page.find("input[name=fan]").click()
    page.until(lambda: page.all("#plan [data-part=fan]"), "the fan stands in the band's place")
    assert width_of_band(page) == 0
    field = page.find("#tries")
    field.send_keys("12 in right, 18 in right, 26 in right")
    page.see("26 in right: drops in", "#start-lines")
    for left in (2, 1):
        page.all("#start-lines li a")[-1].click()
        page.until(lambda left=left: len(page.all("#start-lines li")) == left)
    assert page.value("tries") == "12 in right"
    page.press("Make it your read")
    page.see("Your aim is", "#own-words")
    assert page.value("own") == "12 in"


def test_without_scripts_a_source_is_chosen_and_a_line_taken_away(page):
    page.without_scripts()
    page.go("/read", **SPINDRIFT, fan="1", tries="12 in right, 18 in right")
    choose(page, "side_from", "level ±")
    page.press("Read it")
    page.until(lambda: page.text("#range").startswith("Between 13"))
    page.all("#start-lines li a")[0].click()
    assert page.find("#tries").get_attribute("value") == "18 in right"


def test_every_part_is_reached_with_the_tab_key_on_a_phone(page):
    page.size(PHONE)
    page.go("/read", **SPINDRIFT, side_from="feet", fan="1", tries="12 in right, 18 in right")
    reached = set()
    for _ in range(60):
        ActionChains(page.driver).send_keys(Keys.TAB).perform()
        there = "const e = document.activeElement; return e.name || e.id || e.textContent.trim()"
        reached.add(page.run(there))
    assert {
        "length_from",
        "side_from",
        "rise_from",
        "fan",
        "tries",
        "Take it away",
        "Find out next",
    } <= reached
