"""Real Chromium on a real server, watched for errors and for requests that leave the machine."""

import json
import os
import threading
from pathlib import Path
from urllib.parse import urlencode, urlsplit

import pytest
from flask import request
from selenium import webdriver
from selenium.common.exceptions import ElementClickInterceptedException, WebDriverException
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait
from sqlalchemy.exc import OperationalError
from werkzeug.serving import make_server

from orthocline.db.account.queries import golfer_named
from orthocline.jobs.worker import worker_of
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import end_sessions
from orthocline.web.app import create_app
from tests.conftest import app_config

AXE = Path(__file__).with_name("axe.min.js")
DESK = {"width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": False}
PATIENCE_S = 20
"""So long a person waits for what a page is to show, on a machine that is busy."""
PHONE = {"width": 390, "height": 844, "deviceScaleFactor": 1, "mobile": True}
FLAGS = (
    "--headless=new --no-sandbox --disable-gpu --disable-quic --disable-dev-shm-usage"
    " --disable-features=SpareRendererForSitePerProcess --process-per-site"
    " --disable-background-networking --disable-component-update --disable-sync --no-first-run"
)


@pytest.fixture(scope="session")
def browser_database(copy_demo):
    return copy_demo(f"orthocline_browser_{os.environ.get('PYTEST_XDIST_WORKER', 'main')}")


class Live:
    """The application on a port of its own.

    `slow` delays requests whose query holds a word; while it is `away` its database does not answer.
    """

    def __init__(self, url):
        self.slow = {}
        self.away = False
        self.app = create_app(app_config(url, WTF_CSRF_ENABLED=True, TESTING=False))
        self.app.before_request(self._wait)
        self.server = make_server("127.0.0.1", 0, self.app, threaded=True)
        self.address = f"http://127.0.0.1:{self.server.server_port}"
        self.thread = threading.Thread(target=self.server.serve_forever)
        self.thread.start()

    def _wait(self):
        if self.away and request.endpoint != "static":
            raise OperationalError("SELECT", {}, Exception("connection refused"))
        for word, event in self.slow.items():
            if word in request.full_path.replace("%20", "+"):
                event.wait(10)

    def stop(self):
        self.server.shutdown()
        self.thread.join()
        self.server.server_close()
        self.app.extensions["orthocline_engine"].dispose()


@pytest.fixture(scope="session")
def live(browser_database):
    server = Live(browser_database)
    yield server
    server.stop()


@pytest.fixture
def work(live):
    """Do all work that waits, as the worker beside the server does."""

    def done():
        worker_of(live.app.config["DATABASE_URL"]).run_worker(wait=False, install_signal_handlers=False)

    return done


class Patient(WebElement):
    """Something on a page: what comes later, and moves it under the finger, is waited for."""

    def click(self):
        def clicked(_):
            super(Patient, self).click()
            return True

        WebDriverWait(self.parent, PATIENCE_S, 0.05, [ElementClickInterceptedException]).until(clicked)


@pytest.fixture(scope="session")
def chromium():
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    for flag in FLAGS.split():
        options.add_argument(flag)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL", "performance": "ALL"})
    driver = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    driver._web_element_cls = Patient
    yield driver
    driver.quit()


class Page:
    """What a person does with the page, and sees."""

    def __init__(self, driver, live):
        self.driver, self.live = driver, live
        self.expected_errors = ()
        self.scripts = True

    def size(self, metrics):
        self.driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", metrics)

    def go(self, path, **query):
        self.driver.get(self.live.address + path + ("?" + urlencode(query) if query else ""))

    def forget(self):
        """Be as on a first visit: nothing kept of what was shipped, no service worker, nobody signed in."""
        self.driver.get("about:blank")
        everything = {"origin": self.live.address, "storageTypes": "all"}
        self.driver.execute_cdp_cmd("Storage.clearDataForOrigin", everything)
        self.driver.execute_cdp_cmd("Network.clearBrowserCache", {})

    def find(self, selector):
        """Return the first of what is meant, as soon as there is one."""
        return self._patience().until(lambda _: self.driver.find_element(By.CSS_SELECTOR, selector))

    def all(self, selector):
        return self.driver.find_elements(By.CSS_SELECTOR, selector)

    def press(self, words):
        """Press the button or link of that name, as soon as there is one."""
        path = f"//*[self::button or self::a or self::summary][contains(normalize-space(.), '{words}')]"
        found = self._patience().until(
            lambda _: next((e for e in self.driver.find_elements(By.XPATH, path) if e.is_displayed()), None)
        )
        if self.scripts:
            # Clear of the bar at the foot of a phone, where Selenium would not look for it.
            self.run("arguments[0].scrollIntoView({block: 'center'})", found)
        found.click()

    def as_wren(self):
        """Sign in as the demo golfer, and be there."""
        self.go("/")
        self.press("Read the demo putt as Wren Halloran")
        self.see("Aim 18 in right of centre.", "#call")

    def end_sessions(self, name):
        """End all sessions of a golfer, as from another browser."""
        with self.live.app.extensions["orthocline_sessions"]() as session, session.begin():
            end_sessions(Viewer(golfer_named(session, name)))

    def without_scripts(self):
        """Turn scripts off until the test ends."""
        self.scripts = False
        self.driver.execute_cdp_cmd("Emulation.setScriptExecutionDisabled", {"value": True})

    def text(self, selector="body"):
        """Return what can be read, also while the page changes under the eye."""
        return self._patience().until(lambda _: [self.find(selector).text.replace("\u00a0", " ")])[0]

    def see(self, words, selector="body", patience=PATIENCE_S):
        """Wait until the words can be read."""
        self._patience(patience).until(lambda _: words in self._steady(selector), words)

    def until(self, condition, what=""):
        self._patience().until(lambda _: condition(), what)

    def _patience(self, seconds=PATIENCE_S):
        # While a page goes, the driver has several names for what is not there any more, or not yet.
        changing = [WebDriverException]
        return WebDriverWait(self.driver, seconds, 0.05, changing)

    def _steady(self, selector):
        return self.run(
            "const e = document.querySelector(arguments[0]); return e ? e.innerText : ''", selector
        ).replace("\u00a0", " ")

    def run(self, script, *arguments):
        return self.driver.execute_script(script, *arguments)

    def violations(self):
        """Return what axe finds wrong with the page.

        What a drawing says it says as a whole: its parts are looked at by the tests of labels.
        """
        self.run(AXE.read_text())
        look = "axe.run({exclude: ['svg *']}, {resultTypes: ['violations']}).then(arguments[0])"
        found = self.driver.execute_async_script(look)["violations"]
        return [(one["id"], one["nodes"][0]["html"]) for one in found]

    def value(self, name):
        return self.run(f"return document.getElementById('{name}').value")

    def focused(self):
        return self.run("const e = document.activeElement; return e.dataset.handle || e.id || e.tagName")

    def requests(self):
        messages = [json.loads(row["message"])["message"] for row in self.driver.get_log("performance")]
        return [m["params"]["request"]["url"] for m in messages if m["method"] == "Network.requestWillBeSent"]


@pytest.fixture
def page(chromium, live):
    """A page at the desk's size, signed out; afterwards no error was logged and nothing outside asked."""
    seen = Page(chromium, live)
    seen.size(DESK)
    chromium.execute_cdp_cmd("Network.clearBrowserCookies", {})
    chromium.get_log("browser")
    chromium.get_log("performance")
    yield seen
    live.slow.clear()
    live.away = False
    chromium.execute_cdp_cmd("Emulation.setScriptExecutionDisabled", {"value": False})
    host = urlsplit(live.address).netloc
    outside = [url for url in seen.requests() if urlsplit(url).netloc not in (host, "")]
    assert outside == []
    errors = [row["message"] for row in chromium.get_log("browser")]
    assert [e for e in errors if not any(known in e for known in seen.expected_errors)] == []
    chromium.get("about:blank")
