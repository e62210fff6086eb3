"""How long the database took for each query, told to whoever wants to know."""

from collections.abc import Callable
from time import perf_counter
from typing import Any, Final

from sqlalchemy import Engine, event

LONGEST: Final = 600
"""So much of a query is told."""
_BEGUN: Final = "orthocline_begun"


def time_queries(engine: Engine, told: Callable[[str, float], None]) -> None:
    """Call `told` with each query, as it is written without what is asked for, and its time [s]."""

    @event.listens_for(engine, "before_cursor_execute")
    def begin(connection: Any, *_more: Any) -> None:
        connection.info[_BEGUN] = perf_counter()

    @event.listens_for(engine, "after_cursor_execute")
    def end(connection: Any, _cursor: Any, statement: str, *_more: Any) -> None:
        told(" ".join(statement[: 2 * LONGEST].split())[:LONGEST], perf_counter() - connection.info[_BEGUN])
