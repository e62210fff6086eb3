"""What is carried: tomorrow's cards for two speeds, printed, and read on a phone in Competition."""

from selenium.webdriver import Keys

from tests.browser.conftest import PHONE


def change(page, name, typed):
    """Type into a field, leave it, and wait until the cards follow."""
    page.find(f"#{name}").send_keys(Keys.CONTROL + "a" + Keys.NULL, typed, Keys.TAB)
    page.until(lambda: f"{name}=" in page.driver.current_url)


def test_tomorrows_cards_for_two_speeds_are_printed_and_read_in_competition(page, work):
    page.as_wren()
    page.go("/")
    page.press("Carry")
    change(page, "speed", "9.8")
    change(page, "speed2", "10.6")
    page.until(lambda: len(page.all(".cards")) == 2)
    assert "16 cards on 2 sheets." in page.text("#cards")
    page.press("Keep and print")
    page.see("It waits for its turn", "#job")
    work()
    page.until(lambda: page.all("#carried figure"))
    assert len(page.all("#carried figure")) == 16
    page.press("Open play")
    page.until(lambda: page.all("#carried figure"))
    page.size(PHONE)
    wide = "return document.querySelector('#carried svg').getBoundingClientRect().width / innerWidth"
    assert page.run(wide) > 0.9
    page.press("10.6: Aim, down 2 %")
    page.until(lambda: _seen(page) == "Aim, down 2 %, green speed 10.6")
    assert "The screen stays on." in page.text("main") or not page.run("return 'wakeLock' in navigator")


def _seen(page):
    """Return the card in the middle of the screen."""
    return page.run(
        "return document.elementsFromPoint(innerWidth / 2, 300).find(one => one.tagName == 'svg')"
        "?.getAttribute('aria-label').split(', Break')[0]"
    )


def test_cards_without_scripts(page):
    page.without_scripts()
    page.go("/cards")
    field = page.find("#speed")
    field.clear()
    field.send_keys("11")
    page.press("Show them")
    page.until(lambda: "green speed 11.0" in page.find(".card").get_attribute("aria-label"))


def test_the_front_nines_book_is_looked_at_and_printed(page, work):
    page.as_wren()
    page.go("/greens")
    page.press("A green book for your pocket")
    page.find("#book")
    page.all("input[name=green]")[-1].click()
    page.until(lambda: "9 pages on 5 sheets." in page.text("#book"))
    page.find("label:has([value=hand])").click()
    page.until(lambda: "Hand-entered only" in page.find(".book-page").get_attribute("aria-label"))
    page.press("Keep and print")
    page.see("It waits for its turn", "#job")
    work()
    page.until(lambda: len(page.all("#carried figure")) == 9)
    page.press("green 9, Homeward")
    page.until(lambda: page.run("return location.hash") == "#page-9")
