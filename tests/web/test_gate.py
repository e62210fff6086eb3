"""So many at once, the others in their turn; and whoever is slow to send keeps nobody waiting."""

import io
from threading import Event, Thread

import pytest

from orthocline.web.gate import FORM_BYTES, Gate

PATIENCE_S = 10


class Held:
    """An application that says when it is asked, and answers when it is let."""

    def __init__(self):
        self.asked, self.goes_on, self.got = [], Event(), b""

    def __call__(self, environ, _start):
        self.got = environ["wsgi.input"].read()
        self.asked.append(environ["PATH_INFO"])
        self.goes_on.wait(PATIENCE_S)
        return [b"answered"]


@pytest.fixture
def held():
    application = Held()
    yield application
    application.goes_on.set()


def request(path="/read", body=b"", **more):
    return {"PATH_INFO": path, "wsgi.input": io.BytesIO(body), "CONTENT_LENGTH": str(len(body)), **more}


def asks(gate, *requests):
    threads = [Thread(target=gate, args=(one, None)) for one in requests]
    for thread in threads:
        thread.start()
    return threads


def until(true):
    for _ in range(500):
        if true():
            return True
        Event().wait(0.01)
    return False


def test_so_many_at_once_and_the_others_after_them(held):
    threads = asks(Gate(held, 2), *(request() for _ in range(5)))
    assert until(lambda: len(held.asked) == 2)
    Event().wait(0.05)
    assert len(held.asked) == 2
    held.goes_on.set()
    for thread in threads:
        thread.join(PATIENCE_S)
    assert len(held.asked) == 5


def test_what_shows_how_things_are_waits_for_nobody(held):
    gate = Gate(held, 1)
    asks(gate, request(), request("/healthz"), request("/static/x.css"))
    assert until(lambda: len(held.asked) == 3)


def test_what_comes_slowly_is_awaited_outside(held):
    sends = Event()

    class Slow(io.BytesIO):
        def read(self, *size):
            sends.wait(PATIENCE_S)
            return super().read(*size)

    gate = Gate(held, 1)
    asks(gate, request("/slow", b"name=T", **{"wsgi.input": Slow(b"name=T")}))
    asks(gate, request("/quick"))
    assert until(lambda: held.asked == ["/quick"])
    held.goes_on.set()
    sends.set()
    assert until(lambda: held.asked == ["/quick", "/slow"])
    assert held.got == b"name=T"


@pytest.mark.parametrize(
    "more",
    [{"CONTENT_LENGTH": str(FORM_BYTES + 1)}, {"HTTP_TRANSFER_ENCODING": "chunked"}, {"CONTENT_LENGTH": "x"}],
)
def test_a_file_streams_through(held, more):
    gate = Gate(held, 1)
    asks(gate, request("/first"), request("/file", b"1 2 3", **more))
    assert until(lambda: sorted(held.asked) == ["/file", "/first"])
