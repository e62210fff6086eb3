"""`make screenshots`: the pictures in docs/screenshots, from the demo data, in a database of their own."""

import threading
from datetime import UTC, datetime
from pathlib import Path
from urllib.parse import urlencode

from selenium import webdriver
from selenium.webdriver import ActionChains
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.by import By
from selenium.webdriver.support.ui import WebDriverWait
from sqlalchemy import NullPool, create_engine
from sqlalchemy.orm import Session
from werkzeug.serving import make_server

from orthocline.db.server.cluster import ensure_running
from orthocline.db.server.migrate import upgrade
from orthocline.db.server.settings import var_folder
from orthocline.jobs.worker import worker_of
from orthocline.services.demo.golfer import load_demo
from orthocline.web.app import create_app
from orthocline.web.shared.demo_looks import demo_looks
from orthocline.web.shared.read_address import demo_values
from orthocline.wording.wording import USUAL_WORDING

FOLDER = Path(__file__).parents[1] / "docs/screenshots"
FLAGS = "--headless=new --no-sandbox --disable-gpu --disable-quic --disable-dev-shm-usage --hide-scrollbars"
DESK = {"width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": False}
PHONE = {"width": 390, "height": 844, "deviceScaleFactor": 2, "mobile": True}
READ = "/read?" + urlencode(demo_values(USUAL_WORDING, datetime.now(UTC)))
SALTINGS = demo_looks(USUAL_WORDING)[0].address
LOOK = SALTINGS.replace("stop=ball", "stop=hole")
READ_ON_GREEN = (
    "/read?on={Breakwater}&hole=back&toward=-12&length=38+ft&course=Ternholm+Links&green=green+6,+Breakwater"
)
ROLLS = {
    "rails": "rods",
    "out": ["8 ft 5 in", "8 ft 8 in", "8 ft 6 in"],
    "back": ["10 ft 9 in", "10 ft 6 in", "10 ft 8 in"],
    "level": "0.9 %",
    "level_with": "level_averaged",
}
FIRM = "/firm?length=10+ft&side=1.5+%25&rise=0+%25&speed=10&off_line=1.5+deg+left&off_pace=3+%25+firm"
RAMP = "/speed/ramp?" + urlencode(ROLLS, doseq=True)
ANSWERED = "/train/putt/answer?asks=amount&ground=made&level=2&seed=99&answer=8+in&side=left"
ADVISED = (
    "return (!document.querySelector('#firm-ask[hx-get]') || !!document.querySelector('#firm p'))"
    " && (!document.querySelector('#eyes-fold[open]') || !!document.querySelector('#eyes svg'))"
    " && !document.querySelector('p#golfers-ask')"
)
"""Whether what comes after the call is there."""
PICTURES = (
    ("today", "/", DESK),
    ("read", READ, DESK),
    ("read-phone", READ, PHONE),
    ("eyes", READ_ON_GREEN.replace("/read", "/eyes") + "&stop=low_side", DESK),
    ("speed", "/speed", DESK),
    ("ramp", RAMP, DESK),
    ("look-phone", LOOK, PHONE),
    ("firm", FIRM, DESK),
    ("figures", "/figures", DESK),
    ("which", "/log/{read}/which", DESK),
    ("habits", "/habits", DESK),
    ("answered", ANSWERED, DESK),
    ("pupils", "/pupils", DESK),
    ("drill", "/train/drills/straight_ring", DESK),
    ("green", "/greens/{Saltings}?spot=12+on,+3+right", DESK),
    ("holes", "/holes/{study}", DESK),
    ("cards", "/cards?speed=10.2&past=9+in", DESK),
    ("book", "/book?look={Breakwater}", DESK),
)


def demo_database() -> str:
    """Return the address of a fresh database that holds the demo data."""
    cluster = ensure_running(var_folder())
    cluster.create_database("orthocline_screenshots", fresh=True)
    url = cluster.url("orthocline_screenshots")
    upgrade(url)
    with Session(create_engine(url, poolclass=NullPool)) as session, session.begin():
        load_demo(session)
    return url


def chromium() -> webdriver.Chrome:
    """Return a headless browser."""
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    for flag in FLAGS.split():
        options.add_argument(flag)
    return webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))


def misread(driver: webdriver.Chrome, base: str) -> str:
    """Return the number of the newest putt that was most likely misread."""
    driver.get(base + "/log?only=stopped")
    links = driver.find_elements(By.CSS_SELECTOR, "#putts a[href$='/which']")
    for address in [one.get_attribute("href") or "" for one in links]:
        driver.get(address)
        if "most likely the read: aimed" in driver.find_element(By.ID, "which-was-it").text:
            return address.split("/")[-2]
    raise LookupError("no putt of the demo was misread")


def take(driver: webdriver.Chrome, base: str) -> None:
    """Take every picture as the demo golfer."""
    driver.get(base)
    driver.find_element(By.XPATH, "//button[contains(., 'demo putt')]").click()
    WebDriverWait(driver, 30).until(lambda _: "/read" in driver.current_url)
    # Nothing that moves is caught on its way.
    still = {"features": [{"name": "prefers-reduced-motion", "value": "reduce"}]}
    driver.execute_cdp_cmd("Emulation.setEmulatedMedia", still)
    driver.get(base + "/greens")
    links = driver.find_elements(By.CSS_SELECTOR, "main li a")
    greens = {one.text.split("\n")[0].split(", ")[-1]: one.get_attribute("href") for one in links}
    numbers = {name: address.rpartition("/")[2] for name, address in greens.items()}
    numbers["read"] = misread(driver, base)
    driver.get(f"{base}/greens/{numbers['Breakwater']}/holes")
    study = driver.find_element(By.CSS_SELECTOR, "main li a").get_attribute("href") or ""
    numbers["study"] = study.rpartition("/")[2]
    for name, path, size in PICTURES:
        driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
        driver.get(base + path.format(**numbers))
        driver.execute_script("return document.fonts.ready.then(() => 0)")
        WebDriverWait(driver, 20).until(lambda _: driver.execute_script(ADVISED))
        driver.save_screenshot(str(FOLDER / f"{name}.png"))
        print(f"docs/screenshots/{name}.png")


def take_along(driver: webdriver.Chrome, base: str, url: str) -> None:
    """Have today solved, and kept on a phone."""
    driver.get(base + "/along")
    driver.find_element(By.XPATH, "//button[.='Solve it']").click()
    worker_of(url).run_worker(wait=False, install_signal_handlers=False)
    driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", PHONE)
    driver.get(base + "/course")
    for part, words in (("#ready", "opens without"), ("#age", "Ternholm")):
        WebDriverWait(driver, 30).until(lambda _, part=part, words=words: words in text_of(driver, part))


def text_of(driver: webdriver.Chrome, part: str) -> str:
    """Return what can be read in a part of the page."""
    return str(driver.find_element(By.CSS_SELECTOR, part).get_attribute("innerText"))


def take_without_signal(driver: webdriver.Chrome, base: str) -> None:
    """Take the picture of the phone that has no signal: one putt noted, another one read."""
    driver.get(base + "/course")
    WebDriverWait(driver, 30).until(lambda _: "No signal" in text_of(driver, "#signal"))
    drawn = driver.find_element(By.CSS_SELECTOR, "#map svg")
    ActionChains(driver).move_to_element_with_offset(drawn, 30, 60).click().perform()
    driver.find_element(By.CSS_SELECTOR, "[data-does=missed]").click()
    WebDriverWait(driver, 30).until(lambda _: "missed" in text_of(driver, "#noted"))
    ActionChains(driver).move_to_element_with_offset(drawn, -60, -40).click().perform()
    driver.execute_script("scrollTo(0, 0)")
    driver.save_screenshot(str(FOLDER / "course-phone.png"))
    print("docs/screenshots/course-phone.png")


def main() -> None:
    """Serve the demo on a port of its own and take the pictures."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    url = demo_database()
    app = create_app(
        {
            "SECRET_KEY": "pictures only, of no value at all, never served",
            "DEMO": True,
            "DATABASE_URL": url,
        }
    )
    server = make_server("127.0.0.1", 0, app, threaded=True)
    thread = threading.Thread(target=server.serve_forever)
    thread.start()
    driver = chromium()
    base = f"http://127.0.0.1:{server.server_port}"
    try:
        take(driver, base)
        take_along(driver, base, url)
        server.shutdown()
        server.server_close()
        take_without_signal(driver, base)
    finally:
        driver.quit()
        server.shutdown()
        thread.join()


if __name__ == "__main__":
    main()
