"""On the course without a signal: what was taken along is read, what is noted comes in once."""

import math
import re
from datetime import UTC, datetime, timedelta
from types import SimpleNamespace

import pytest
from selenium.webdriver import ActionChains, Keys
from sqlalchemy import delete, select

from orthocline.core.chart import ChartReading
from orthocline.core.ground import plane_from_grade
from orthocline.core.roll import Point, Putt, RollPast, aims
from orthocline.db.account.models import Golfer
from orthocline.db.account.queries import golfer_named
from orthocline.db.carry.models import Arrival
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.services.account.access import Viewer
from orthocline.services.account.accounts import sign_up
from orthocline.services.carry import pack
from orthocline.services.ground.charts import Edit, edit_chart, find_green, keep_chart, undo_edit
from orthocline.services.ground.places import Place
from orthocline.services.jobs.jobs import ask_for, carry_out
from tests.browser.conftest import DESK, PHONE, Page
from tests.charted import CHART
from tests.conftest import PASSWORD
from tests.signal_lost import Air

PAST = RollPast(0.3048)
NAME = "[...document.querySelectorAll('#map text')].find((one) => one.textContent === 'middle')"
BEYOND = """
const { scale, holeX, holeY } = document.querySelector('#map svg').dataset;
const [x, y] = [(box.x + box.width / 2 - holeX) / scale, (holeY - box.y - box.height / 2) / scale];
return [2 * x, 8 + 2 * (y - 8)];
"""
"""From the hole twice as far as the name of the pin."""


class Out(Page):
    """A golfer on the course with a phone, and the air between it and the server."""

    def __init__(self, driver, live, air, green):
        super().__init__(driver, SimpleNamespace(address=air.address))
        self.air, self.green = air, green
        self.sessions = live.app.extensions["orthocline_sessions"]

    def sign_in(self, name):
        self.go("/sign-in", next="/course")
        self.find("#name").send_keys(name)
        self.find("#password").send_keys(PASSWORD, Keys.ENTER)
        self.see("Course", "#course")

    def tap(self, right, up):
        """Tap a place of the green [m]."""
        at = self.run(
            "const svg = document.querySelector('#map svg'), d = svg.dataset;"
            "svg.scrollIntoView({block: 'center'});"
            "const p = new DOMPoint(Number(d.holeX) + d.scale * arguments[0],"
            " Number(d.holeY) - d.scale * arguments[1]).matrixTransform(svg.getScreenCTM());"
            "const box = svg.getBoundingClientRect();"
            "return [p.x - box.x - box.width / 2, p.y - box.y - box.height / 2]",
            right,
            up,
        )
        ActionChains(self.driver).move_to_element_with_offset(self.find("#map svg"), *at).click().perform()

    def waiting(self):
        return self.text("#queue-head")

    def putts(self):
        """Return the putts that have come in, oldest first."""
        with self.sessions() as session:
            tove = golfer_named(session, "Tove Outwith")
            own = select(LoggedPutt).where(LoggedPutt.golfer_id == tove.id).order_by(LoggedPutt.created_at)
            return session.scalars(own).all()

    def rounds(self):
        with self.sessions() as session:
            tove = golfer_named(session, "Tove Outwith")
            return session.scalars(select(Outing).where(Outing.golfer_id == tove.id)).all()

    def in_store(self, script):
        """Run something on the phone's store; `kept` and `entries` are its functions."""
        return self.driver.execute_async_script(
            "const done = arguments[arguments.length - 1];"
            "const { src } = document.querySelector('script[src$=\"/course.js\"]');"
            f"import(src.replace('course.js', 'store.js')).then(async (store) => {{ {script} }}).then(done);"
        )


@pytest.fixture(scope="module")
def packed(live):
    """The number of Tove's green, whose middle pin lies eight metres up, with a pack of it that is solved."""
    with pytest.MonkeyPatch.context() as patched:
        patched.setattr(pack, "READS", 40)
        sessions = live.app.extensions["orthocline_sessions"]
        with sessions() as session, session.begin():
            tove = Viewer(sign_up(session, "Tove Outwith", PASSWORD))
            green = keep_chart(tove, session, Place("Ternholm Links", "green 1"), CHART, "charted")
            task = pack.pack_task(tove, session, "Ternholm Links", 10.0, PAST.past_m)
            job = ask_for(tove, session, pack.KIND, task)
        carry_out(sessions, job.id)
        return green


@pytest.fixture
def out(chromium, live, packed):
    """Tove's phone with that pack, signed in; the page for the course is open."""
    air = Air(live.address)
    seen = Out(chromium, live, air, packed)
    chromium.execute_cdp_cmd("Network.clearBrowserCookies", {})
    seen.size(PHONE)
    seen.sign_in("Tove Outwith")
    seen.see("This page opens without a signal.")
    seen.see("Ternholm Links, speed 10.0", "#age")
    yield seen
    air.there = True
    air.deeds.clear()
    seen.forget()
    seen.size(DESK)
    chromium.get_log("browser")
    air.end()
    with seen.sessions() as session, session.begin():
        tove = golfer_named(session, "Tove Outwith")
        tove.competition_until = None
        for kind in (LoggedPutt, Outing, Arrival):
            session.execute(delete(kind).where(kind.golfer_id == tove.id))


def test_three_putts_without_a_signal_are_in_the_log_once(out):
    out.go("/along")
    out.press("What was solved last")
    out.press("Take it along on this phone")
    out.see("Ternholm Links, speed 10.0", "#age")
    out.air.there = False
    out.go("/")
    out.see("No signal", "#signal")
    for i, (right, up, ends) in enumerate(((4.0, 8.0, "Holed"), (-3.0, 5.0, "Missed"), (2.0, 12.0, "Holed"))):
        out.tap(right, up)
        out.see("Aim ", "#call-lead")
        out.press(ends)
        out.see(f"{i + 1} thing", "#queue-head")
    out.driver.get("about:blank")
    out.go("/log")
    out.see("3 things wait on this phone for a signal.", "#queue-head")
    assert re.match(r"13(\.[012])? ft, holed · today", out.text("#queue"))
    assert out.putts() == []
    out.air.there = True
    out.press("Send now")
    out.see("Nothing waits: all of it has come in.", "#queue-head")
    out.press("Send now")
    first, second, third = out.putts()
    assert [one.holed for one in (first, second, third)] == [True, False, True]
    assert first.length_m == pytest.approx(4.0, abs=0.1)
    across = Putt(Point(4.0, 0.0), Point(0.0, 0.0), plane_from_grade(0.0, -0.02, math.pi), 10.0, PAST)
    assert first.read_aim_right_m == pytest.approx(aims(across)[0].spot_right_m(4.0), rel=0.15)
    assert all(one.read_document for one in (first, second, third))


def test_what_is_noted_without_a_signal_is_sent_from_any_page(out):
    out.air.there = False
    out.find("#length").send_keys("12")
    out.press("Holed")
    out.see("1 thing waits", "#queue-head")
    out.air.there = True
    out.go("/account")
    out.until(lambda: len(out.putts()) == 1)
    assert not out.find("#from-course").is_displayed()
    assert out.putts()[0].length_m == pytest.approx(12 * 0.3048)
    out.until(lambda: out.run("return localStorage.getItem('waiting')") is None)


def test_a_call_is_what_the_pack_says_in_words_and_on_the_map(out):
    out.tap(4.0, 8.0)
    out.see("in right", "#call-spot")
    assert "Roll it" in out.text("#call-pace")
    assert "plays like" in out.text("#plays")
    assert "of the solver's" in out.text("#plays")
    assert "Of 40 reads anywhere" in out.text("#exact")
    assert out.text("#whose") == "Tove Outwith's."
    before = out.text("#plays")
    assert out.violations() == []
    out.find("#map").send_keys(Keys.ARROW_RIGHT)
    out.until(lambda: out.text("#plays") != before)
    assert out.run(f"return {NAME}.checkVisibility()")
    beyond = out.run(f"const box = {NAME}.getBBox(); {BEYOND}")
    out.tap(*beyond)
    out.until(lambda: not out.run(f"return {NAME}.checkVisibility()"))
    out.find("label:has([value=plane])").click()
    out.find("#plane-length").send_keys("20")
    out.find("#plane-side").send_keys("2")
    out.see("in left", "#call-spot")
    out.find("label:has([name=falls][value=left])").click()
    out.see("in right", "#call-spot")


def test_a_round_is_begun_noted_and_ended_without_a_signal(out):
    out.air.there = False
    out.press("In Competition")
    out.see("Round, Ternholm Links, in Competition.", "#going-words")
    out.see("Reading is off in Competition.", "#off")
    assert not out.find("#reader").is_displayed()
    assert out.value("hole") == "1"
    out.find("#length").send_keys("20")
    out.press("Missed")
    out.until(lambda: out.value("number") == "2")
    out.find("#length").send_keys("2.5")
    out.press("Where it stopped")
    out.press("Holed")
    out.until(lambda: (out.value("hole"), out.value("number")) == ("2", "1"))
    out.go("/")
    out.see("Round, Ternholm Links, in Competition.", "#going-words")
    assert out.value("hole") == "2"
    out.press("End it")
    out.until(lambda: out.find("#reader").is_displayed())
    out.air.there = True
    out.press("Send now")
    out.see("Nothing waits", "#queue-head")
    (outing,) = out.rounds()
    assert outing.competition
    assert outing.ended_at
    told = [(one.hole, one.number, one.holed, one.outing_id) for one in out.putts()]
    assert told == [(1, 1, False, outing.id), (1, 2, True, outing.id)]
    assert len({one.visit for one in out.putts()}) == 1


def test_a_green_that_changed_meanwhile_is_asked_about(out):
    out.air.there = False
    out.tap(4.0, 8.0)
    out.press("Holed")
    out.see("1 thing", "#queue-head")
    tilted = ChartReading((3.0, 12.0), "level", 0.0, 0.05)
    with out.sessions() as session, session.begin():
        tove = Viewer(golfer_named(session, "Tove Outwith"))
        edit_chart(tove, session, out.green, lambda chart: Edit(chart.added("readings", tilted), "another"))
    out.air.there = True
    out.press("Send now")
    out.see("green 1 was charted anew since it was taken along. You read", "#queue")
    assert out.putts() == []
    out.go("/account")
    out.see("not all in", "#from-course")
    out.press("See what waits")
    out.press("Throw it away")
    out.see("Sure?", "#queue")
    out.press("Keep it without the read")
    out.see("Nothing waits", "#queue-head")
    assert [one.read_document for one in out.putts()] == [None]
    with out.sessions() as session, session.begin():
        undo_edit(Viewer(golfer_named(session, "Tove Outwith")), session, out.green)


def test_a_slope_that_is_read_without_a_signal_comes_onto_the_chart(out):
    out.air.there = False
    out.find("label:has([name=way][value=slope])").click()
    out.press("Keep the slope")
    out.see("Tap its place", "#slope-message")
    out.tap(-3.0, 6.0)
    out.see("Tap the way it falls.", "#call-lead")
    out.tap(-3.0, 3.0)
    assert out.run("return document.querySelectorAll('[data-part=over] .solid').length") == 1
    out.find("#map").send_keys(Keys.ARROW_LEFT)
    out.see("Tap the way it falls.", "#call-lead")
    out.find("#map").send_keys(Keys.SHIFT + Keys.ARROW_DOWN)
    out.find("#slope-size").send_keys("2.5")
    out.press("Keep the slope")
    out.see("1 thing", "#queue-head")
    out.air.there = True
    out.press("Send now")
    out.see("Nothing waits", "#queue-head")
    with out.sessions() as session:
        chart = find_green(Viewer(golfer_named(session, "Tove Outwith")), session, out.green).chart
    reading = chart.readings[-1]
    assert reading.size == pytest.approx(0.025)
    assert reading.toward_rad == pytest.approx(-0.5 * math.pi, abs=0.1)
    with out.sessions() as session, session.begin():
        undo_edit(Viewer(golfer_named(session, "Tove Outwith")), session, out.green)


def test_a_speed_that_is_posted_is_noted_without_a_signal(out):
    out.air.there = False
    out.press("green speed")
    assert out.value("speed-course") == "Ternholm Links"
    out.press("Keep the speed")
    out.see("How fast?", "#speed-message")
    out.find("#speed").send_keys("40", Keys.TAB)
    out.press("Keep the speed")
    out.see("From 3 to 20.", "#speed-message")
    out.find("#speed").clear()
    out.find("#speed").send_keys("10,4")
    out.press("Keep the speed")
    out.see("Speed 10.4 at Ternholm Links", "#queue")
    out.air.there = True
    out.press("Send now")
    out.see("Nothing waits", "#queue-head")
    out.go("/speed")
    out.see("10.4")


@pytest.mark.parametrize("point", ["sending", "answering"])
def test_a_cut_on_the_way_loses_and_doubles_nothing(out, point):
    out.air.lose(point, 3)
    for feet in (5, 6, 7):
        out.find("#length").send_keys(str(feet))
        out.press("Holed")
        out.see(f"{feet} ft, holed", "#noted")
    for _ in range(4):
        out.press("Send now")
    out.see("Nothing waits", "#queue-head")
    assert not out.air.done_at(point)
    assert [round(one.length_m / 0.3048) for one in out.putts()] == [5, 6, 7]


def test_what_is_noted_can_be_taken_back_until_it_is_sent(out):
    out.air.there = False
    out.find("#length").send_keys("9")
    out.press("Holed")
    out.see("1 thing", "#queue-head")
    out.press("Undo")
    out.see("Taken back.", "#noted")
    out.see("Nothing waits", "#queue-head")
    out.find("#length").send_keys("nine")
    out.press("Holed")
    out.see("A figure up to 328, such as 12", "#length-message")
    assert out.value("length") == "nine"
    out.find("#length").clear()
    out.find("#hole").send_keys("19")
    out.press("Missed")
    out.see("From 1 to 18.", "#hole-message")
    out.press("Send now")
    assert out.value("hole") == "19"


def test_a_pack_from_yesterday_says_so(out):
    out.air.there = False
    old = (datetime.now(UTC) - timedelta(hours=26)).isoformat()
    out.in_store(
        f"const here = await store.kept('pack'); here.pack.made_at = '{old}'; await store.keep('pack', here);"
    )
    out.go("/course")
    out.see("Not from today: Ternholm Links, speed 10.0,", "#age")
    assert "Speed, pins and greens may have changed since." in out.text("#age")


def test_who_leaves_takes_their_pack_along_and_what_waits_stays_theirs(out):
    out.air.there = False
    out.find("#length").send_keys("9")
    out.press("Holed")
    out.see("1 thing", "#queue-head")
    out.air.lose("sending", 99)
    out.air.there = True
    out.go("/account")
    out.press("Sign out")
    out.see("Read it. Roll it. Note it.")
    out.go("/course")
    out.see("Nobody is signed in on this phone.", "#nobody")
    assert out.in_store("return store.kept('pack').then((one) => one ?? null)") is None
    with out.sessions() as session, session.begin():
        session.execute(delete(Golfer).where(Golfer.name == "Idris Outwith"))
        sign_up(session, "Idris Outwith", PASSWORD)
    out.air.deeds.clear()
    out.sign_in("Idris Outwith")
    out.see("1 more of another golfer", "#queue-others")
    assert out.putts() == []
    out.go("/account")
    out.press("Sign out")
    out.see("Read it. Roll it. Note it.")
    out.sign_in("Tove Outwith")
    out.until(lambda: len(out.putts()) == 1)


def test_a_session_that_ends_keeps_nobody_from_noting(out):
    out.driver.execute_cdp_cmd("Network.clearBrowserCookies", {})
    out.go("/course")
    out.see("Your session has ended.", "#out")
    out.find("#length").send_keys("11")
    out.press("Holed")
    out.see("1 thing waits", "#queue-head")
    out.press("sign in")
    out.find("#name").send_keys("Tove Outwith")
    out.find("#password").send_keys(PASSWORD, Keys.ENTER)
    out.see("Nothing waits", "#queue-head")
    assert len(out.putts()) == 1


def test_the_page_needs_scripts_and_says_where_else_one_notes(page):
    page.without_scripts()
    page.go("/course")
    assert "needs scripts" in page.text()
    page.press("note a putt")
