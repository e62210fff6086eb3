"""How often an address asked: counted by all workers together."""

from orthocline.db.request_counts import count_request, forget_requests, requests_counted

__all__ = ["count_request", "forget_requests", "requests_counted"]
