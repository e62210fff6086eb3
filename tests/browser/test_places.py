"""The ground read in places, by hand and by keys alone."""

import pytest
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.support.ui import Select

from tests.browser.conftest import DESK, PHONE
from tests.browser.test_read import drag, handle
from tests.reads import SPINDRIFT


def rows(page):
    return len(page.all(".spots > li"))


@pytest.mark.parametrize("size", [DESK, PHONE])
def test_a_reading_is_dragged_along_typed_and_taken_away(page, size):
    page.size(size)
    page.go("/read", **SPINDRIFT)
    page.press("Read it in places")
    page.until(lambda: rows(page) == 2)
    assert not page.find("#side").is_displayed()
    before = page.text("#call h1")
    page.press("Add a place")
    page.until(lambda: rows(page) == 3)
    page.find("#spot-2-size").send_keys("4 %")
    Select(page.find("#spot-2-falls")).select_by_value("right")
    page.until(lambda: page.text("#call h1") != before)
    page.run("arguments[0].scrollIntoView({block: 'center'})", page.find("#plan"))
    at = page.value("spot-2-at")
    drag(page, "spot-2", 0, -60)
    page.until(lambda: page.value("spot-2-at") != at)
    page.until(lambda: "spot-2-at=" + page.value("spot-2-at").split()[0] in page.driver.current_url)
    away = page.find("[aria-label='Take reading 1 away']")
    page.run("arguments[0].scrollIntoView({block: 'center'})", away)
    away.click()
    page.until(lambda: rows(page) == 2)
    assert page.value("spot-1-size") == "4 %"
    page.press("One tilt for all")
    page.until(lambda: page.find("#side").is_displayed())


def test_readings_by_keys_alone(page):
    page.go("/read", **SPINDRIFT)
    page.run("document.querySelector('[value=split]').focus()")
    page.driver.switch_to.active_element.send_keys(Keys.ENTER)
    page.until(lambda: not handle(page, "spot-0").get_attribute("hidden"))
    page.run("document.querySelector('[data-handle=spot-0]').focus()")
    handle(page, "spot-0").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.value("spot-0-at") == "55 %")
    handle(page, "spot-0").send_keys(Keys.ARROW_RIGHT)
    page.until(lambda: page.value("spot-0-size") == "2.2 %")
    page.run("document.querySelector('#spot-0-at').focus()")
    page.driver.switch_to.active_element.send_keys(Keys.ARROW_DOWN)
    page.until(lambda: page.value("spot-0-at") == "50 %")
    page.run("document.querySelector('[data-handle=spot-0]').focus()")
    handle(page, "spot-0").send_keys(Keys.DELETE)
    page.until(lambda: rows(page) == 1)
    assert page.value("spot-0-falls") == "ball"


def test_the_arrow_of_a_marble_is_dragged(page):
    page.go("/read", **SPINDRIFT, **{"spot-0-at": "1/2", "spot-0-falls": "right", "spot-0-by": "plate"})
    tip = handle(page, "tip-0")
    assert tip.get_attribute("aria-valuenow") == "90"
    ActionChains(page.driver, duration=20).drag_and_drop_by_offset(tip, -16, 28).perform()
    page.until(lambda: "spot-0-falls=-1" in page.driver.current_url, "it falls right and back to the ball")
    dragged = page.find("#spot-0-falls").get_attribute("value")
    handle(page, "tip-0").send_keys(Keys.ARROW_RIGHT)
    page.until(lambda: page.find("#spot-0-falls").get_attribute("value") == str(int(dragged) - 5))


def test_readings_without_scripts(page):
    page.without_scripts()
    page.go("/read", **SPINDRIFT)
    page.press("Read it in places")
    page.until(lambda: rows(page) == 2)
    page.find("#spot-0-size").clear()
    page.find("#spot-0-size").send_keys("3 %")
    page.press("Read it")
    page.until(lambda: "spot-0-size=3" in page.driver.current_url)
    assert page.value("spot-0-size") == "3 %"
