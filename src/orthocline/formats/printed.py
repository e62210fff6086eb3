"""Drawings laid on sheets of paper, as PDF. Heavy: loaded where a job makes one."""

from collections.abc import Sequence
from email.message import EmailMessage
from html import escape
from typing import Any, Final

from weasyprint import HTML
from weasyprint.text.fonts import FontConfiguration
from weasyprint.urls import FatalURLFetchingError, URLFetcher, URLFetcherResponse

from orthocline.formats.paper import Sheet, Size, laid
from orthocline.formats.pictures import TYPE_FILE

TYPE_ADDRESS: Final = "orthocline:type"
STYLE: Final = """
@font-face { font-family: "FAMILY"; src: url("ADDRESS"); }
@page { size: WIDEmm TALLmm; margin: 0; }
body { margin: 0; }
.sheet { position: relative; width: WIDEmm; height: TALLmm; break-after: page; }
.sheet:last-child { break-after: auto; }
.page { position: absolute; }
.cut { outline: .15mm dashed #000; }
.page svg { display: block; width: 100%; height: 100%; }
"""


class _Shipped(URLFetcher):  # type: ignore[misc]  # a class without types
    """Fetches the type that pages ship, and refuses all else."""

    def fetch(self, url: str, headers: EmailMessage | None = None) -> Any:
        """Return the type; raises FatalURLFetchingError for another address."""
        del headers
        if url != TYPE_ADDRESS:
            raise FatalURLFetchingError(f"nothing is fetched: {url[:80]}")
        return URLFetcherResponse(url, TYPE_FILE.read_bytes(), {"Content-Type": "font/woff2"})


def pdf_of(drawings: Sequence[str], page: Size, paper: str, title: str, family: str) -> bytes:
    """Return drawings as PDF.

    Parameters
    ----------
    drawings : sequence of str
        SVG, one for each page, each as high for its width as a page.
    page : Size
        How large each is printed.
    paper : str
        On which of the papers.
    title : str
        What the document is called.
    family : str
        What the drawings call the type that pages ship.

    Raises
    ------
    FatalURLFetchingError
        For a drawing that names something to be fetched: no page may reach out.
    """
    sheet = laid(page, paper)
    room = len(sheet.places)
    sheets = "".join(
        _sheet(drawings[first : first + room], page, sheet) for first in range(0, len(drawings), room)
    )
    told = (
        f"<html lang=en><title>{escape(title)}</title><style>{_style(sheet, family)}</style>{sheets}</html>"
    )
    document = HTML(string=told, url_fetcher=_Shipped()).render(font_config=FontConfiguration())
    return bytes(document.write_pdf())


def _style(sheet: Sheet, family: str) -> str:
    put = {
        "FAMILY": family,
        "ADDRESS": TYPE_ADDRESS,
        "WIDE": f"{sheet.size.wide_mm:g}",
        "TALL": f"{sheet.size.tall_mm:g}",
    }
    style = STYLE
    for name, value in put.items():
        style = style.replace(name, value)
    return style


def _sheet(drawings: Sequence[str], page: Size, sheet: Sheet) -> str:
    cut = " cut" if sheet.size != page else ""
    pages = (
        f'<div class="page{cut}" style="left:{left:g}mm;top:{top:g}mm;'
        f'width:{page.wide_mm:g}mm;height:{page.tall_mm:g}mm">{drawing}</div>'
        for drawing, (left, top) in zip(drawings, sheet.places, strict=False)
    )
    return f'<div class="sheet">{"".join(pages)}</div>'
