"""When something is in the way: the database gone, the session over, more dragged than the server reads."""

import time

import pytest
from selenium.webdriver import ActionChains, Keys

from tests.browser.conftest import DESK, PHONE
from tests.reads import SPINDRIFT


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_what_was_sent_while_the_database_was_away_is_sent_again(page, metrics):
    page.expected_errors = ("503",)
    page.size(metrics)
    page.as_wren()
    page.go("/log")
    note(page, "slow, and left of the high side")
    page.live.away = True
    page.press("Holed")
    page.see("Back in a moment.")
    page.see("slow, and left of the high side", "#typed")
    assert page.run("return document.documentElement.scrollWidth <= innerWidth")
    page.run("document.body.dataset.before = 'yes'")
    page.press("Send it again")
    page.until(lambda: page.run("return !document.body.dataset.before"), "the answer, which looks the same")
    page.see("Back in a moment.")
    page.live.away = False
    page.press("Send it again")
    page.see("Noted: 21 ft")
    page.go("/log")
    assert page.text("#putts").count("slow, and left of the high side") == 1


def refused(page):
    """Step the length of Wren's putt while the database is away."""
    page.expected_errors = ("503",)
    page.as_wren()
    page.live.away = True
    page.find("#length").send_keys(Keys.ARROW_UP)
    page.see("does not answer just now", "#trouble")


def back(page):
    """Let the database be back, and the form be asked again by itself."""
    page.live.away = False
    page.until(lambda: page.value("length") == "15 ft", "asked for again by itself")
    page.until(lambda: page.text("#trouble") == "")


def test_the_drawing_stays_and_goes_on_when_the_database_is_back(page):
    refused(page)
    assert page.text("#call h1").startswith("Aim 18 in right")
    back(page)


def test_a_form_is_asked_again_though_something_else_fails_meanwhile(page):
    refused(page)
    page.run("return htmx.ajax('GET', '/eyes', '#eyes').catch(() => {})")
    back(page)


def note(page, words):
    page.press("Note a putt")
    page.find("#length").send_keys("21 ft")
    page.press("Hole, place, break, note")
    page.find("#note").send_keys(words)


def sign_in(page, name):
    page.find("#name").send_keys(name)
    page.find("#password").send_keys("a good long password", Keys.ENTER)


@pytest.mark.parametrize("lost", ["ended elsewhere", "cookie gone"])
def test_what_a_signed_out_golfer_typed_comes_back(page, lost):
    page.expected_errors = ("401", "400")
    name = f"Tove, {lost}"
    page.go("/sign-up", next="/log")
    sign_in(page, name)
    note(page, "typed before the session ended")
    if lost == "cookie gone":
        page.driver.execute_cdp_cmd("Network.clearBrowserCookies", {})
        page.press("Holed")
        page.see("This page was open too long")
        page.press("Send it again")
    else:
        page.end_sessions(name)
        page.press("Holed")
    page.see("What you typed is kept on this page")
    sign_in(page, name)
    page.see("typed before the session ended", "#typed")
    page.press("Send it")
    page.see("Noted: 21 ft")
    page.go("/log")
    page.see("typed before the session ended", "#putts")


def test_a_long_drag_asks_no_more_than_the_server_reads(page):
    page.go("/read", **SPINDRIFT)
    handle = page.find("[data-handle=fall]")
    page.requests()
    start = time.monotonic()
    drag = ActionChains(page.driver, duration=0).click_and_hold(handle)
    for i in range(160):
        drag.move_by_offset(-1 if i % 40 < 20 else 1, -1 if i % 20 < 10 else 1).pause(0.03)
    drag.release().perform()
    page.until(lambda: "fall" not in page.requests()[-1:], "the last drawing has come")
    asked = len([url for url in page.requests() if "/read?" in url])
    assert asked <= 15 + 7 * (time.monotonic() - start) + 2
