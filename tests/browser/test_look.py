"""The walk as a new golfer takes it: on a phone, signed out, by thumb; and at a desk by keys alone."""

from selenium.webdriver import Keys

from tests.browser.conftest import DESK, PHONE


def width(page):
    words = page.text("#range").replace("in", " ")
    figures = [int(word) for word in words.split() if word.isdecimal()]
    return sum(figures) if "left" in words and "right" in words else figures[-1] - figures[0]


def tap(page, note):
    button = page.find(f"#look [value='{note}']")
    page.run("arguments[0].scrollIntoView({block: 'center'})", button)
    button.click()
    page.until(
        lambda: (
            page.find(f"#look [value='{note.split(':')[0]}:none']").get_attribute("aria-pressed") == "true"
        )
    )


def test_a_double_breaking_putt_is_looked_at_in_six_taps_and_rolled(page):
    page.size(PHONE)
    page.go("/")
    page.press("Look")
    page.until(lambda: page.text("h1") == "Pace it out")
    first = width(page)
    page.press("Change the walk")
    page.press("+ Feet at one third")
    page.until(lambda: len(page.all(".stops a")) == 4)
    tap(page, "pace.1:right")
    tap(page, "pace.1:2")
    second = width(page)
    assert second < first
    page.press("1/3")
    page.until(lambda: page.text("h1") == "Feet at one third")
    page.press("Lay the phone")
    page.press("Try a simulated phone")
    page.press("Note it in the walk")
    page.until(lambda: page.text("h1") == "Feet at one third")
    page.see("phone", "#look")
    page.press("Hole")
    page.until(lambda: page.text("h1") == "Behind the hole")
    tap(page, "hole.1:left")
    tap(page, "hole.1:1.5")
    page.press("Ball")
    page.until(lambda: page.text("h1") == "Behind the ball")
    assert page.run("return document.documentElement.scrollWidth") <= 390
    page.press("Read it")
    page.until(lambda: len(page.all(".spots > li")) == 3)
    page.press("Roll it")
    page.until(
        lambda: page.run("return !document.querySelector('[data-part=rolling]').classList.contains('hidden')")
    )


def test_steps_are_counted_by_tap_and_the_clock_runs(page):
    page.size(PHONE)
    page.go("/look")
    for _ in range(6):
        page.press("step")
    page.until(lambda: "length=6+paces" in page.driver.current_url)
    assert page.value("length") == "6 paces"
    page.press("My turn")
    page.see("s left", "#clock")
    assert 35 < int(page.text("#clock").split()[0]) <= 40
    page.press("s left")
    page.see("My turn", "#clock")


def test_a_level_at_two_places_by_keys_alone(page):
    page.size(DESK)
    page.go("/look")
    for ask, figure in (("pace.1", "1.4 %"), ("pace.2", "0.8 %")):
        page.run("document.getElementById(arguments[0]).focus()", f"level-{ask}")
        page.driver.switch_to.active_element.send_keys(figure, Keys.ENTER)
        page.see(f"level {figure}", "#look")
    assert "spot-1-size=0.8" in page.driver.current_url
    page.run("[...document.querySelectorAll('a')].find(a => a.textContent === 'Read it').focus()")
    page.driver.switch_to.active_element.send_keys(Keys.ENTER)
    page.until(lambda: len(page.all(".spots > li")) == 2)


def test_a_walk_without_scripts(page):
    page.without_scripts()
    page.go("/look")
    page.find("[value='pace.1:right']").click()
    page.until(lambda: page.find("[value='pace.1:none']").get_attribute("aria-pressed") == "true")
    page.press("Next")
    page.until(lambda: page.text("h1") == "Behind the hole")
    assert "spot-0-falls=right" in page.driver.current_url
