"""What a job is asked, and what it makes."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any, NamedTuple


@dataclass(frozen=True)
class Task:
    """What is asked of a job: open data, perhaps a file that the golfer gave; `job_id` while it is done."""

    asked: Mapping[str, Any] = field(default_factory=dict)
    file_id: int | None = None
    job_id: int = 0


class Made(NamedTuple):
    """A piece of what a job makes, perhaps empty, and how many things are done with it."""

    content: bytes
    done: int
