"""How every process says what happens: one line of JSON each, on standard error, with nothing private.

A line says which request or job it is of, what it asked for by its rule, and how long it took; never who
asked, what they typed, or what an error quotes of it. Of an error its kind is said, and where it was.
"""

import sys
from collections.abc import MutableMapping
from logging.config import dictConfig
from pathlib import Path
from traceback import walk_tb
from typing import Any, Final

import structlog

Line = MutableMapping[str, Any]
LEVELS: Final = ("debug", "info", "warning", "error")
FRAMES: Final = 12
"""So many of the innermost places that an error passed are said."""
TALKATIVE: Final = ("alembic", "fontTools", "gunicorn.error", "procrastinate", "rasterio", "weasyprint")
"""Packages whose warnings are enough."""


def say_in_json(level: str) -> None:
    """Let this process say all that is of a level or above as lines of JSON, its packages' lines too."""
    structlog.configure(
        processors=[
            structlog.stdlib.filter_by_level,
            *_ALL,
            structlog.stdlib.ProcessorFormatter.wrap_for_formatter,
        ],
        logger_factory=structlog.stdlib.LoggerFactory(),
    )
    dictConfig(log_settings(level))


def log_settings(level: str) -> dict[str, Any]:
    """Return the settings of the standard library's loggers, for `dictConfig`."""
    formatter = {
        "()": structlog.stdlib.ProcessorFormatter,
        "foreign_pre_chain": _ALL,
        "processors": [
            structlog.stdlib.ProcessorFormatter.remove_processors_meta,
            structlog.processors.JSONRenderer(),
        ],
    }
    return {
        "version": 1,
        "disable_existing_loggers": False,
        "formatters": {"json": formatter},
        "handlers": {
            "stderr": {"class": "logging.StreamHandler", "formatter": "json", "stream": "ext://sys.stderr"}
        },
        "root": {"level": level.upper(), "handlers": ["stderr"]},
        "loggers": {name: {"level": "WARNING", "handlers": [], "propagate": True} for name in TALKATIVE},
    }


def _without_words(_logger: Any, _method: str, line: Line) -> Line:
    """Say of an error its kind and where it was: its message may quote what somebody typed."""
    told = line.pop("exc_info", None)
    error = sys.exc_info()[1] if told is True else told[1] if isinstance(told, tuple) else told
    if isinstance(error, BaseException):
        line["error"] = f"{type(error).__module__}.{type(error).__qualname__}"
        passed = [
            f"{Path(frame.f_code.co_filename).name}:{number} {frame.f_code.co_name}"
            for frame, number in walk_tb(error.__traceback__)
        ]
        line["at"] = passed[-FRAMES:]
    return line


_ALL: Final[list[Any]] = [
    structlog.contextvars.merge_contextvars,
    structlog.stdlib.add_log_level,
    structlog.stdlib.add_logger_name,
    structlog.processors.TimeStamper(fmt="iso", utc=True),
    structlog.stdlib.PositionalArgumentsFormatter(),
    _without_words,
]
