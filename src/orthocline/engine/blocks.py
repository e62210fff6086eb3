"""Work in blocks that know nothing of each other, on processes of this machine or on a cluster's (Dask).

What is asked is part of the graph, so that a worker that dies takes nothing along: its blocks are done by
another. In which order they are done is chance; what they are is not. Heavy: loaded where a job needs it.
"""

import os
from asyncio import CancelledError
from collections.abc import Callable, Generator, Iterator, Sequence
from contextlib import contextmanager, suppress
from importlib.metadata import version
from typing import Any, Final, TypeVar
from uuid import uuid4

from dask.system import CPU_COUNT
from distributed import Client, LocalCluster, as_completed
from distributed.security import Security

Asked = TypeVar("Asked")
Item = TypeVar("Item")
Found = TypeVar("Found")
SCHEDULER: Final = "ORTHOCLINE_SCHEDULER"
"""The setting that names the scheduler of a cluster: ``tcp://…`` or ``tls://…``; else this machine works."""
BLOCK: Final = 8
"""Items of a block: a second or two of work, so that what a killed worker takes along is little."""
RETRIES: Final = 3
"""So often a block that failed is tried again."""
WAIT_S: Final = 30.0
"""So long a scheduler and its first worker are waited for."""


class EngineError(Exception):
    """The work came to no end: the scheduler is away, or a block fails wherever it is done."""


def worked_out(
    work: Callable[[Asked, Item], Found], asked: Asked, items: Sequence[Item]
) -> Generator[tuple[int, Found]]:
    """Yield the number of each item and what `work(asked, item)` made of it, in any order.

    Closed before its end, what is left is not done.

    Parameters
    ----------
    work : callable
        A function of a module, which the workers have too.
    asked : Asked
        The same for all items.
    items : sequence of Item
        What is worked out.

    Raises
    ------
    EngineError
    """
    name, release = uuid4().hex, version("orthocline")
    with _client(os.environ.get(SCHEDULER, "")) as client:
        told = client.submit(_told, asked, key=f"asked-{name}", retries=RETRIES)
        blocks = {
            client.submit(
                _block, release, work, told, items[at : at + BLOCK], key=f"{name}-{at}", retries=RETRIES
            ): at
            for at in range(0, len(items), BLOCK)
        }
        try:
            for done in as_completed(blocks, loop=client.loop):
                yield from enumerate(_found(done), blocks[done])
                done.release()  # What is told is not kept, or a lost worker's blocks were all done once more.
        finally:
            if client.status == "running":
                client.cancel(list(blocks))


def _told(asked: Asked) -> Asked:
    return asked


def _block(
    release: str, work: Callable[[Asked, Item], Found], asked: Asked, items: Sequence[Item]
) -> list[Found]:
    """Do a block, on the worker."""
    own = version("orthocline")
    if own != release:
        raise RuntimeError(f"a worker has orthocline {own}, and {release} is asked")
    return [work(asked, item) for item in items]


def _found(done: Any) -> list[Any]:
    try:
        return list(done.result(WAIT_S))
    except (Exception, CancelledError) as error:
        raise EngineError(f"A block failed: {error}" if str(error) else "The scheduler went away.") from error


@contextmanager
def _client(scheduler: str) -> Iterator[Client]:
    """Let in who talks to the scheduler of a cluster, or to one of this machine that ends with it."""
    if scheduler:
        with _reached(scheduler) as client:
            yield client
        return
    alone: dict[str, Any] = {"processes": True, "threads_per_worker": 1, "dashboard_address": None}
    # Only who holds the keys that were made just now is talked to: anybody here could knock at its port.
    cluster = LocalCluster(n_workers=CPU_COUNT, security=Security.temporary(), **alone)
    try:
        with Client(cluster, set_as_default=False) as client:
            yield client
    finally:
        # A worker that is begun again just then cannot be waited for; it ends with this process.
        with suppress(AssertionError, TimeoutError):
            cluster.close()


def _reached(scheduler: str) -> Client:
    """Return who talks to the scheduler of a cluster that has a worker."""
    away = EngineError(f"No cluster of workers answers at {scheduler}.")
    try:
        client = Client(scheduler, timeout=WAIT_S, set_as_default=False)
    except (OSError, TimeoutError, ValueError) as error:
        raise away from error
    try:
        client.wait_for_workers(1, timeout=WAIT_S)
    except TimeoutError as error:
        client.close()
        raise away from error
    return client
