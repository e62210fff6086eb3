"""Sharing in a real browser: by a pupil and a coach one after another, and on a phone by the tab key."""

from selenium.webdriver.common.keys import Keys

from tests.browser.conftest import PHONE
from tests.conftest import PASSWORD


def enter(page, name, *, new=False):
    """Sign up or in, in place of whoever was."""
    page.driver.delete_all_cookies()
    page.go("/sign-up" if new else "/sign-in", next="/sharing")
    page.find("#name").send_keys(name)
    page.find("#password").send_keys(PASSWORD, Keys.ENTER)
    page.see("You were given a code")


def test_a_pupil_shares_a_coach_leaves_a_note_and_a_session_and_it_is_taken_back(page):
    page.expected_errors = ("404",)
    pupil, coach = "Signe who shares", "Odd who coaches"
    enter(page, pupil, new=True)
    page.press("Make a code")
    code = page.text("#made-code")
    page.go("/log/note")
    page.find("#length").send_keys("21 ft")
    page.press("Holed")
    page.see("Noted: 21 ft")
    enter(page, coach, new=True)
    page.find("#code").send_keys(code)
    page.press("Enter it")
    page.see(f"You see {pupil}'s log, figures and drills")
    home = page.driver.current_url
    page.press("Leave a note")
    page.find("#words").send_keys("That is the pace.")
    page.press("Leave it")
    page.see("That is the pace.")
    page.driver.get(home)
    page.press("Set a session")
    page.press("Set it")
    page.see("Not begun")
    enter(page, pupil)
    page.go("/log")
    page.see(f"{coach}: That is the pace.")
    page.go("/train/practice")
    page.press("Begin it")
    page.see("so far")
    page.go("/sharing")
    page.press("Take it all back")
    page.see("Nobody sees anything of yours.")
    enter(page, coach)
    page.driver.get(home)
    page.see("There is no such thing among yours")
    page.go("/pupils")
    page.see("No pupils yet")


def test_on_a_phone_the_tab_key_reaches_pupils_and_their_sessions(page):
    page.size(PHONE)
    page.as_wren()
    page.go("/pupils")
    reached = []
    for _ in range(30):
        page.find("body").send_keys(
            Keys.TAB
        ) if not reached else page.driver.switch_to.active_element.send_keys(Keys.TAB)
        reached.append(page.run("return document.activeElement.textContent.trim().split(' ')[0]"))
    places = [reached.index(words) for words in ("Show", "Idris", "Set", "Tove")]
    assert places == sorted(places)
    assert page.run("return document.documentElement.scrollWidth <= innerWidth")
