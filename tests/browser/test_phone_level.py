"""The phone's own sensor as a level: a second at rest is a reading; what moves, or is not there, is none."""

from tests.browser.conftest import PHONE


def lean(page, degrees):
    override = {"alpha": 0, "beta": degrees, "gamma": 0}
    page.driver.execute_cdp_cmd("DeviceOrientation.setDeviceOrientationOverride", override)


def take(page, name):
    page.find(f"[data-lay={name}]").click()


def test_laid_down_and_turned_round_it_tells_the_slope_and_goes_into_the_read(page):
    page.expected_errors = ("A reload is required",)  # Chromium's own, of sensors it gave to pages before
    page.size(PHONE)
    lean(page, 1.6)
    page.go("/level", read="length=14 ft&speed=10")
    try:
        take(page, "laid")
        page.until(lambda: page.value("laid") == "1.60 deg", "the first reading")
        lean(page, -0.8)
        take(page, "turned")
        page.see("Falls 2.1 % to the left.", "#level")
        assert page.value("turned") == "-0.80 deg"
        page.press("Read with it")
        page.see("Between", "#range")
        assert page.value("side_from") == "phone"
    finally:
        page.driver.execute_cdp_cmd("DeviceOrientation.clearDeviceOrientationOverride", {})


def test_where_there_is_no_sensor_it_is_said_and_typing_goes_on(page):
    page.go("/level")
    page.run("window.addEventListener('deviceorientation', (e) => e.stopImmediatePropagation(), true)")
    take(page, "laid")
    page.see("Keep it still", "#sensor")
    page.see("Type what a level app shows", "#sensor", patience=12)
    page.expected_errors = ("422",)
    page.find("#laid").send_keys("flat\t")
    page.see("cannot be read", "#lay")
    page.find("#laid").clear()
    page.find("#laid").send_keys("1.2\t")
    page.find("#turned").send_keys("-1.2\t")
    page.see("Falls 2.1 % to the left.", "#level")
