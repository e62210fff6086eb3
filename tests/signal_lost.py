"""A stand-in for the air between a phone and the server: it forwards, or cuts at a chosen point."""

import http.client
import threading
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from urllib.parse import urlsplit

CUT = "/course/entries"
HOP = {"connection", "keep-alive", "transfer-encoding"}


class Air:
    """A signal between a phone and a server.

    `there` says whether there is one. `deeds` are done with entries: "sending", before the server has heard
    of one; "answering", after it has kept it; both lose it where they return true; and "answered".
    """

    def __init__(self, address):
        self.to = urlsplit(address).netloc
        self.there, self.deeds = True, {}
        self.server = _Many(("127.0.0.1", 0), type("Way", (_Way,), {"air": self}))
        threading.Thread(target=self.server.serve_forever, args=(0.05,), daemon=True).start()

    @property
    def address(self):
        return f"http://127.0.0.1:{self.server.server_address[1]}"

    def lose(self, point, times):
        """Lose so many entries at a point."""
        left = iter(range(times))
        self.deeds = {point: lambda: next(left, None) is not None}

    def done_at(self, point):
        """Do what is done with an entry at a point, and return what that says."""
        return self.deeds[point]() if point in self.deeds else False

    def end(self):
        self.server.shutdown()
        self.server.server_close()


class _Many(ThreadingHTTPServer):
    """Takes all that a browser asks at once."""

    daemon_threads = True
    request_queue_size = 128

    def handle_error(self, *_args):
        """A browser that was killed takes no answer."""


class _Way(BaseHTTPRequestHandler):
    air: Air

    def parse_request(self):
        """Take nothing while there is no signal."""
        return self.air.there and super().parse_request()

    def do_GET(self):
        self._forward()

    def do_POST(self):
        self._forward()

    def _forward(self):
        body = self.rfile.read(int(self.headers.get("Content-Length") or 0))
        entry = self.path == CUT
        if entry and self.air.done_at("sending"):
            return
        connection = http.client.HTTPConnection(self.air.to, timeout=20)
        headers = {name: value for name, value in self.headers.items() if name.lower() not in HOP}
        connection.request(self.command, self.path, body or None, headers)
        answer = connection.getresponse()
        content = answer.read()
        connection.close()
        if not self.air.there or (entry and self.air.done_at("answering")):
            return
        self.send_response_only(answer.status)
        for name, value in answer.getheaders():
            if name.lower() not in {*HOP, "content-length"}:
                self.send_header(name, value)
        self.send_header("Content-Length", str(len(content)))
        self.end_headers()
        self.wfile.write(content)
        if entry:
            self.air.done_at("answered")

    def log_message(self, *_args):
        """Say nothing."""
