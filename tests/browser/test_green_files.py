"""A file of a green given on the phone, looked at and kept, with scripts and without; the map as a file."""

from pathlib import Path

from tests.browser.conftest import PHONE
from tests.formats.green_files import made

TOUCHING = (Path(__file__).parent / "touching.js").read_text()
AXE = (Path(__file__).parent / "axe.min.js").read_text()


def give(page, path, name):
    page.as_wren()
    page.go("/greens")
    page.press("A green from a file: a survey, a scan, a chart")
    for field, typed in (("course", "Ternholm Links"), ("green", name), ("file", str(path))):
        page.find(f"#{field}").send_keys(typed)
    page.press("Read it")


def no_label_touches(page):
    assert page.run(TOUCHING) == []


def test_a_file_is_given_looked_at_corrected_and_kept(page, work, tmp_path):
    page.size(PHONE)
    give(page, made.las(tmp_path / "nine.laz"), "9, by laser")
    page.see("It waits for its turn", "#job")
    work()
    page.see("A ridge through the middle", "#lead")
    page.see("12,000 points", "#facts")
    no_label_touches(page)
    page.run(AXE)
    result = page.driver.execute_async_script("axe.run().then(arguments[arguments.length - 1])")
    assert [(one["id"], one["nodes"][0]["html"]) for one in result["violations"]] == []
    assert page.run("return document.documentElement.scrollWidth <= innerWidth")
    page.find("#up").clear()
    page.find("#up").send_keys("90 deg")
    page.press("Look again")
    page.see("It waits for its turn", "#job")
    work()
    page.until(lambda: page.all("#up") and page.value("up") == "90 deg")
    page.press("Keep it as Ternholm Links, 9, by laser")
    page.see("Charted from nine.laz", "main")
    page.press("Files in and out")
    page.press("PNG")
    page.see("It waits for its turn", "#job")
    work()
    page.see("The file is written", "#job")


def test_a_file_is_given_without_scripts_and_left(page, work, tmp_path):
    page.without_scripts()
    give(page, made.geotiff(tmp_path / "nine.tif"), "9, from above")
    page.see("It waits for its turn", "#job")
    work()
    page.see("A ridge through the middle", "#lead")
    page.press("Leave it: nothing is kept")
    page.see("Your greens", "h1")
    assert "9, from above" not in page.text("main")
