"""Eyes and feet trained in the browser: with one thumb, with keys, with scripts off."""

import re
import time
from pathlib import Path

import pytest
from selenium.webdriver import ActionChains, Keys

from tests.browser.conftest import DESK, PHONE

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
ASKED = {"ground": "made", "level": "2", "seed": "99"}


def answer_with_one_tap(page):
    """Answer whatever is asked by the first thing that a thumb finds."""
    if page.all("#placing"):
        ActionChains(page.driver).move_to_element(page.find("#placing svg")).click().perform()
        page.until(lambda: page.find("#typed").get_attribute("value") != "")
        page.find("#answer-it").click()
    elif page.all("[name=turn]"):
        page.press("It is straight from here")
    else:
        page.find("#answering [name=answer]").click()


def test_five_questions_with_one_thumb_and_a_record_of_them(page):
    page.size(PHONE)
    page.as_wren()
    page.press("Train")
    page.run("document.querySelector('[name=wanted][value=\"5\"]').click()")
    page.press("Begin")
    for number in range(1, 6):
        page.see(f"{number} of 5", "#number")
        assert page.run("return document.documentElement.scrollWidth <= innerWidth")
        assert page.run(TOUCHING) == []
        answer_with_one_tap(page)
        page.see("of 100", "#score")
        assert page.run(TOUCHING) == []
        if number < 5:
            page.find("#next").click()
    page.press("Your record")
    page.see("On left-to-right putts you see about a third too little break.")
    assert page.run(TOUCHING) == []


def test_a_mark_is_dragged_and_both_balls_roll(page):
    page.go("/train/putt", asks="amount", **ASKED)
    sheet = page.find("#placing svg")
    drag = ActionChains(page.driver).move_to_element_with_offset(sheet, 0, -40).click_and_hold()
    drag.move_by_offset(40, 10).move_by_offset(20, 0).release().perform()
    page.until(lambda: page.find("#typed").get_attribute("value") != "")
    assert page.find("#side-1").is_selected(), "it was let go on the right"
    first = float(page.find("#typed").get_attribute("value").split()[0])
    page.until(lambda: page.focused() == "placing")
    ActionChains(page.driver).send_keys(Keys.ARROW_RIGHT).perform()
    page.until(lambda: page.find("#typed").get_attribute("value") != f"{first:g} in")
    further = float(page.find("#typed").get_attribute("value").split()[0])
    assert further == pytest.approx(first + 1.0, abs=0.02)
    page.find("#answer-it").click()
    page.see("of 100", "#score")
    assert "/train/putt/answer?" in page.driver.current_url
    for drawing in ("eyes", "plan"):
        for ball in ("rolling", "rolling-own"):
            shown = f"#{drawing} [data-part={ball}]"
            page.until(lambda one=shown: float(page.find(one).get_attribute("data-seconds") or 0) > 0.5)
    page.driver.refresh()
    page.see("of 100", "#score")


def test_keys_answer_and_lead_on(page):
    page.size(DESK)
    page.as_wren()
    page.go("/train")
    page.run("document.querySelector('#asks').value = 'card'")
    page.press("Begin")
    page.see("How many percent?")
    page.run("document.activeElement.blur()")
    ActionChains(page.driver).send_keys("3").perform()
    page.see("of 100", "#score")
    ActionChains(page.driver).send_keys(Keys.ENTER).perform()
    page.see("2 of 10", "#number")
    page.driver.refresh()
    page.see("How many percent?")


def test_one_walks_round_it_before_answering(page):
    page.go("/train/putt", asks="side", **ASKED)
    behind = page.find("#asked").get_attribute("innerHTML")
    page.press("from left")
    page.until(lambda: page.find("#asked").get_attribute("innerHTML") != behind)
    assert page.find("[name=walk][value=left]").get_attribute("aria-pressed") == "true"
    ActionChains(page.driver).send_keys(Keys.ARROW_LEFT).perform()
    page.see("of 100", "#score")


def test_a_guess_then_the_simulated_phone_makes_a_pair(page):
    page.size(PHONE)
    page.as_wren()
    page.go("/train/slopes")
    page.press("2.5 %")
    page.see("Now lay the level there.")
    page.press("Lay the phone instead")
    page.press("Try a simulated phone")
    page.press("Compare it with your guess")
    page.see("Kept: you felt 2.5 %, the level says")
    assert page.run(TOUCHING) == []


def test_with_scripts_off(page):
    page.without_scripts()
    page.size(PHONE)
    page.as_wren()
    page.go("/train")
    page.press("Begin")
    page.until(lambda: "/train/asked/" in page.driver.current_url)
    page.go("/train/putt", asks="amount", **ASKED)
    page.find("#typed").send_keys("9 in")
    page.press("behind hole")
    page.until(lambda: "stop=hole" in page.driver.current_url)
    assert page.find("#typed").get_attribute("value") == "9 in"
    page.find("#answer-it").click()
    page.until(lambda: re.search(r"\d+ of 100", page.text("#score")))


def test_a_drill_is_set_up_from_its_drawing_and_done_with_one_thumb(page):
    page.size(PHONE)
    page.as_wren()
    page.go("/train/drills")
    page.press("Tuning putts")
    page.see("A usual low-handicap golfer: 58 of 100.")
    assert page.run(TOUCHING) == []
    page.press("It is set up: begin")
    for number, says in enumerate(("up to two feet past", "short", "up to two feet past"), start=1):
        page.see(f"Ball {number} of 5", "main")
        page.press(says)
    page.see("Ball 4 of 5", "main")
    page.press("Take the last back")
    page.see("Ball 3 of 5", "main")
    page.press("End it here")
    page.see("1 of 2", "h1")
    page.press("How it went before")
    page.see("How it went", "main")
    assert page.run(TOUCHING) == []
    assert page.run("return document.documentElement.scrollWidth <= innerWidth")


def test_at_a_desk_a_key_tells_what_became_of_a_ball(page):
    page.as_wren()
    page.go("/train/drills/pace_ladder")
    page.press("It is set up: begin")
    page.see("Ball 1 of", "main")
    page.until(lambda: page.all("html.js"), "keys are heard")
    for key, number in (("1", 2), ("3", 3), ("9", 3)):
        ActionChains(page.driver).send_keys(key).perform()
        page.see(f"Ball {number} of", "main")
    assert len(page.all("[aria-label='What was noted'] li")) == 2


def test_a_silent_count_is_timed_by_two_taps_and_nothing_shows_between(page):
    page.size(PHONE)
    page.as_wren()
    page.go("/train/drills/silent_count")
    page.press("It is set up: begin")
    for number in (1, 2):
        page.see(f"Ball {number} of 10", "main")
        button = page.find("#count")
        button.click() if number == 1 else button.send_keys(" ")
        page.until(lambda button=button: button.text == "Think one beat, then tap")
        time.sleep(0.6)
        assert button.text == "Think one beat, then tap"
        button.click() if number == 1 else button.send_keys(Keys.ENTER)
    page.see("Ball 3 of 10", "main")
    noted = page.all("[aria-label='What was noted'] li")
    assert all(re.match(r"0\.[123] (early|late)|on it", one.get_attribute("title")) for one in noted)
    assert page.run(TOUCHING) == []


def test_a_simulated_level_answers_for_a_real_one_and_the_putt_is_struck(page):
    page.size(PHONE)
    page.go("/straight", length="14 ft")
    page.press("simulated ones")
    page.press("plate")
    page.see("The ball runs to", "h1")
    page.press("Back with it")
    page.until(lambda: page.value("spot-0-size").endswith(" h"))
    page.go("/train/stand-in", seed="5")
    page.press("Lay a level on it")
    page.press("Note it")
    page.see("level half-way", "#noted")
    assert page.run(TOUCHING) == []
    page.press("Read the putt with these")
    page.see("Aim", "#call")


def test_a_stroke_is_drawn_back_on_the_ruler_and_the_slope_shown(page):
    page.go("/train/stand-in", seed="5")
    page.see("A putt on a slope that you do not know.")
    ruler = page.find("#ruler")
    swing = ActionChains(page.driver).move_to_element_with_offset(ruler, -200, 0).click_and_hold()
    swing.move_by_offset(120, 0).move_by_offset(80, 0).release().perform()
    page.see("Ball 1:", "h1")
    assert float(page.find("#stroke").get_attribute("value").split()[0]) > 5.0
    assert page.find("#late").get_attribute("value").split()[-1] in ("early", "late")
    page.press("Show the slope")
    page.see("It falls", "#revealed")
    assert len(page.all("#balls [data-part=rest]")) == 1
    assert page.run(TOUCHING) == []
