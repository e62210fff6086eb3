"""Pages that are carried: what a maker of them gives, and the makers."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any, NamedTuple

from sqlalchemy.orm import Session

from orthocline.formats.paper import Size
from orthocline.services.account.access import Viewer


class Page(NamedTuple):
    """One page: what it is called, and its drawing, SVG."""

    title: str
    drawing: str


@dataclass(frozen=True)
class Pages:
    """Pages, how large each is printed, and on what paper."""

    pages: tuple[Page, ...]
    size: Size
    paper: str


@dataclass(frozen=True)
class Maker:
    """What makes a kind of print.

    Attributes
    ----------
    title : callable
        Returns what it is called.
    inputs : callable
        Returns all that its pages depend on besides what is asked, in words.
    pages : callable
        Returns them.
    """

    title: Callable[[Viewer, Session, Mapping[str, Any]], str]
    inputs: Callable[[Viewer, Session, Mapping[str, Any]], list[str]]
    pages: Callable[[Viewer, Session, Mapping[str, Any]], Pages]
