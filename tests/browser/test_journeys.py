"""From the first page to the log and back, with and without scripts; every page checked by axe."""

import re

import pytest
from selenium.webdriver import ActionChains, Keys
from selenium.webdriver.common.by import By

from tests.browser.conftest import DESK, PHONE, Live
from tests.reads import SPINDRIFT


@pytest.mark.parametrize("metrics", [DESK, PHONE], ids=["desk", "phone"])
def test_a_new_user_reads_saves_records_a_miss_and_finds_it_after_a_restart(page, metrics, browser_database):
    page.size(metrics)
    page.go("/")
    page.press("Read the demo putt as Wren Halloran")
    page.see("Aim 18 in right of centre.", "#call")
    page.see("Plays like 15.5 ft (14", "#call")
    page.press("Save the read")
    page.see("Where did it stop?")
    ActionChains(page.driver).move_to_element_with_offset(page.find("#target"), 40, -60).click().perform()
    assert page.value("along").endswith(" in")
    page.press("Keep the place")
    page.see("Noted: 14 ft")
    page.press("Log")
    page.see("newest first")
    first = page.text("#putts li")
    past, right = (int(n) for n in re.search(r"(\d+) in past, (\d+) in right", first).groups())
    assert past == pytest.approx(1.5 * right, abs=1.5)
    assert "18 in right, 9 in past" in first
    again = Live(browser_database)
    page.driver.get(page.driver.current_url.replace(page.live.address, again.address))
    found = page.text("#putts li")
    page.driver.get("about:blank")
    again.stop()
    page.requests()
    assert found == first


def test_back_and_save_again_is_the_same_putt(page):
    page.as_wren()
    page.press("Save the read")
    page.see("Where did it stop?")
    first = page.driver.current_url
    page.driver.back()
    page.press("Save the read")
    page.see("Where did it stop?")
    assert page.driver.current_url == first
    page.driver.back()
    page.find("#length").send_keys(Keys.ARROW_UP)
    page.until(lambda: page.find("#save [name=length]").get_attribute("value") == "15 ft")
    page.press("Save the read")
    page.see("Where did it stop?")
    assert page.driver.current_url != first


def test_sign_up_edit_delete_undo_and_filter(page):
    page.go("/sign-up", next="/log")
    page.find("#name").send_keys("Idris of the long name who plays at dusk")
    page.find("#password").send_keys("a good long password", Keys.ENTER)
    page.see("Your log is empty.")
    page.press("Note a putt")
    page.find("#length").send_keys("21 ft")
    page.press("Holed")
    page.see("Noted: 21 ft")
    page.press("Edit")
    page.find("#green").send_keys("green 7")
    page.press("Keep it")
    page.see("green 7")
    page.press("Delete")
    page.see("The putt is deleted.")
    page.press("Undo")
    page.see("green 7")
    page.find("input[name=place]").send_keys("nowhere")
    page.see("No putt in your log fits")
    assert "place=nowhere" in page.driver.current_url


def test_competition_turns_reading_off_and_says_why(page):
    page.expected_errors = ("403",)
    page.go("/read", **SPINDRIFT)
    page.press("Open play")
    page.see("Off in Competition")
    page.see("ask the committee")
    page.press("Competition")
    page.see("Aim 17¾ in right of centre.")


def test_as_a_plain_form_with_scripts_off(page):
    page.without_scripts()
    page.size(PHONE)
    page.go("/read", **SPINDRIFT)
    page.find("button[value='length:1']").click()
    page.until(lambda: page.find("#length").get_attribute("value") == "15 ft")
    field = page.find("#side")
    field.clear()
    field.send_keys("3 %", Keys.ENTER)
    page.until(lambda: "28¼" in page.text("#call h1"))
    assert not page.find("#roll").is_displayed()
    page.find("#save button").click()
    page.until(lambda: "Sign in" in page.text("h1"))
    page.press("Look round as Wren Halloran")
    page.until(lambda: "28¼" in page.text("h1"))
    page.find("#save button").click()
    page.until(lambda: "Where did it stop?" in page.text("h1"))
    page.find("#along").send_keys("8 in")
    page.find("#across").send_keys("2 in")
    page.press("Keep the place")
    page.until(lambda: "8 in past, 2 in right" in page.text("main"))


def test_the_tab_key_reaches_everything_in_order_on_a_phone(page):
    page.size(PHONE)
    page.go("/read", **SPINDRIFT)
    reached = []
    for _ in range(60):
        ActionChains(page.driver).send_keys(Keys.TAB).perform()
        reached.append(page.focused())
    wanted = ["speed", "ball", "fall", "past", "length", "side", "rise", "own", "roll", "beat"]
    places = [reached.index(name) for name in ("ball", "length", "side", "rise", "roll")]
    assert set(wanted) <= set(reached)
    assert places == sorted(places)


VIEWS = {
    "today": "/",
    "read": "/read",
    "own": "/read?own=9+in",
    "first": "/read?first=1",
    "felt": "/read?length=5+paces&side_from=feet&fan=1&tries=12+in+right,+18+in+right",
    "tried": "/read?off_line=1+deg+left&off_pace=3+%25+firm&golfer=new",
    "lit": "/read?lit=hand_gauge&calls=hand_gauge,instinct",
    "own-words": "/read?first=1&own_by=hand_gauge&own=2+fingers&impression=6+in+left",
    "eyes": "/eyes",
    "eyes-gauge": "/eyes?lit=hand_gauge&stop=ball&crouch=1",
    "eyes-error": "/eyes?turn=round&length=far",
    "schools": "/schools",
    "schools-error": "/schools?one=thumbs",
    "firm": "/firm?golfer=new&off_line=1+deg+left&gate_at=nowhere",
    "firm-error": "/firm?length=far",
    "look": "/look",
    "look-noted": "/look?stop=hole&spot-0-at=ball&spot-0-falls=left&spot-0-size=4+%25&spot-0-by=level",
    "places": "/read?spot-0-at=1/2&spot-0-falls=left&spot-0-size=2+%25&spot-0-by=level",
    "places-error": "/read?spot-0-at=nowhere&spot-0-falls=left&spot-0-size=2+%25&spot-0-by=level",
    "straight": "/straight",
    "straight-plate": "/straight?by=plate",
    "straight-error": "/straight?ball=nowhere",
    "grain": "/grain?worn=4&sheen=dark",
    "grain-odds": "/grain?worn=12&sheen=shiny&sheen_at=6",
    "balls": "/balls?seen_line=6+in+right&seen_last=10+deg+left",
    "balls-own": "/balls?whose=own&stopped=9+ft+short",
    "balls-error": "/balls?stopped=never",
    "level": "/level?laid=1.6+deg&turned=-0.8+deg",
    "level-error": "/level?laid=flat",
    "error": "/read?length=far&side=steep",
    "log": "/log",
    "log-filtered": "/log?kind=round&only=short,first&least=3+ft&since=2026-01-01",
    "note": "/log/note?new=1",
    "note-after": "/log/note?after={putt}",
    "rounds": "/rounds",
    "round": "/rounds/{round}",
    "round-edit": "/rounds/{round}/edit",
    "card": "/rounds/card",
    "figures": "/figures?beside=rounds",
    "figures-none": "/figures?place=nowhere&most=far",
    "habits": "/habits",
    "which": "/log/{read}/which",
    "log-files": "/log/files",
    "finish": "/log/{putt}/finish",
    "edit": "/log/{putt}/edit",
    "account": "/account",
    "stale": "/read?speed=10.2&measured=10.2+%C2%B10.3+at+2026-01-05T07:40Z+by+ramp",
    "speed": "/speed",
    "speed-edit": "/speed/{speed}/edit",
    "ramp": "/speed/ramp?seed=7&out=9+ft&out=9+ft&out=12+ft&back=10+ft&level=1+%25",
    "ramp-error": "/speed/ramp?out=80+ft&length=far",
    "posted": "/speed/without-a-ramp?by=posted&posted=10",
    "stroke": "/speed/without-a-ramp?by=stroke",
    "tuning": "/speed/without-a-ramp?by=tuning&balls=12+ft&balls=13+ft",
    "greens": "/greens",
    "green": "/greens/{green}",
    "green-slope": "/greens/{green}?tool=slope&chosen=reading-0",
    "green-pin": "/greens/{green}?tool=pin&chosen=pin-1",
    "green-putt": "/greens/{green}?tool=putt&ball=nowhere",
    "green-edge": "/greens/{green}?tool=edge",
    "green-grain": "/greens/{green}?tool=grain&spot=nowhere",
    "green-about": "/greens/{green}/about",
    "green-from-file": "/greens/files",
    "green-files": "/greens/{green}/files",
    "read-on-green": "/read?on={green}&hole=back&toward=10&length=30+ft",
    "measures": "/measures",
    "train": "/train",
    "asked": "/train/putt?asks=amount&ground=made&level=2&seed=99",
    "asked-sheen": "/train/putt?asks=entry&ground=ternholm-6&level=9&seed=5",
    "asked-pair": "/train/putt?asks=pair&ground=made&level=6&seed=99",
    "answered": "/train/putt/answer?asks=apex&ground=made&level=2&seed=99&answer=6+ft+ahead,+4+in+left",
    "record": "/train/record",
    "slopes": "/train/slopes",
    "slopes-guessed": "/train/slopes?sense=eye&way=heels&guess=2.5+%25",
    "reader": "/train/reader",
    "drills": "/train/drills",
    "stand-in": "/train/stand-in?seed=5&stroke=14+in&late=0.05+s+late",
    "laid": "/train/stand-in/ground?seed=5&by=plate&reveal=1",
    "practice": "/train/practice?minutes=25",
    "drill": "/train/drills/pace_ladder?zone=far",
    "beat": "/beat",
    "cards": "/cards?speed=10.2&speed2=9",
    "cards-error": "/cards?lengths=far",
    "prints": "/prints",
    "along": "/along",
    "course": "/course",
    "book": "/book?shows=contours&scale=300",
    "book-error": "/book?scale=tiny",
    "studies": "/greens/{studied}/holes",
    "holes": "/holes/{study}",
    "sharing": "/sharing",
    "tokens": "/account/tokens",
    "programs": "/programs",
    "pupils": "/pupils",
    "pupil": "/pupils/{pupil}",
    "pupil-putts": "/pupils/{pupil}/log",
    "clubs": "/clubs",
    "club": "/clubs/{club}",
    "club-green": "/greens/{club_green}",
    "pupil-session": "/pupils/{pupil}/session",
    "cautions": "/cautions",
    "missing": "/nowhere",
}


STRANGERS = (
    "today",
    "read",
    "first",
    "felt",
    "firm",
    "error",
    "look",
    "ramp",
    "beat",
    "log",
    "train",
    "cautions",
    "missing",
)
"""Views that a stranger sees otherwise than a golfer does, or is turned away from."""
ON_A_PHONE = (
    *("today", "read", "own-words", "eyes", "look", "firm", "places", "balls", "log", "note", "note-after"),
    *("round", "card", "figures", "habits", "ramp", "green-slope", "green-putt", "read-on-green", "measures"),
    *("asked-sheen", "answered", "slopes-guessed", "drill", "cards", "course", "book"),
    *("sharing", "pupils", "pupil", "club", "programs", "studies", "holes"),
)
"""Views that lie otherwise on a phone, and are looked at there."""


@pytest.mark.parametrize(
    ("who", "metrics"),
    [("stranger", PHONE), ("golfer", DESK), ("golfer", PHONE)],
    ids=["stranger-phone", "golfer-desk", "golfer-phone"],
)
def test_axe_finds_nothing(page, metrics, who):
    page.expected_errors = ("422", "404")
    page.size(metrics)
    page.go("/")
    numbers = {
        "putt": 1,
        "read": 1,
        "speed": 1,
        "green": 1,
        "round": 1,
        "pupil": 1,
        "club": 1,
        "club_green": 1,
        "studied": 1,
        "study": 1,
    }
    if who == "golfer":
        page.as_wren()
        for kind, at in (("putt", "/log"), ("speed", "/speed")):
            page.go(at)
            numbers[kind] = re.search(r"/(\d+)/edit", page.find("a[href$='/edit']").get_attribute("href"))[1]
        page.go("/log?only=stopped")
        which = page.find("a[href$='/which']").get_attribute("href")
        numbers["read"] = re.search(r"/(\d+)/which", which)[1]
        page.go("/greens")
        numbers["green"] = page.find("main li a").get_attribute("href").rpartition("/")[2]
        breakwater = page.driver.find_element(By.PARTIAL_LINK_TEXT, "Breakwater").get_attribute("href")
        numbers["studied"] = breakwater.rpartition("/")[2]
        page.go(f"/greens/{numbers['studied']}/holes")
        numbers["study"] = page.find("main li a").get_attribute("href").rpartition("/")[2]
        page.go("/clubs")
        numbers["club"] = page.find("main li a").get_attribute("href").rpartition("/")[2]
        page.go(f"/clubs/{numbers['club']}")
        numbers["club_green"] = page.find("main li a").get_attribute("href").rpartition("/")[2]
        page.go("/pupils")
        numbers["pupil"] = re.search(r"/pupils/(\d+)", page.find("main h2 a").get_attribute("href"))[1]
        page.go("/rounds")
        numbers["round"] = page.find("main li a").get_attribute("href").rpartition("/")[2]
    shown = ON_A_PHONE if metrics is PHONE else [name for name in VIEWS if name not in ON_A_PHONE]
    for name in shown if who == "golfer" else STRANGERS:
        page.go(VIEWS[name].format(**numbers))
        assert page.violations() == [], name
        assert page.run("return document.documentElement.scrollWidth <= innerWidth"), name


def test_work_in_the_background_is_waited_for_without_losing_ones_place_and_cancelled(page):
    page.as_wren()
    page.go("/account")
    page.press("Take it along")
    page.see("It waits for its turn", "#job")
    page.run("document.querySelector('#job button').focus()")
    page.run("return new Promise(done => setTimeout(done, 2500))")  # two answers, or three
    assert page.run("return document.activeElement.textContent") == "Cancel"
    page.press("Cancel")
    page.see("It was cancelled, and nothing is kept of it.", "#job")
