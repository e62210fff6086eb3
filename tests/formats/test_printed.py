"""Drawings on paper: how they lie, how large their type is, and that nothing is fetched."""

import re
import subprocess

import pytest
from fontTools.ttLib import TTFont
from weasyprint.urls import FatalURLFetchingError

from orthocline.core.calls import USUAL_GOLFER
from orthocline.core.cards import Conditions, Grid, cards_of
from orthocline.drawing.carry.card import card_face
from orthocline.drawing.plain import TYPE
from orthocline.drawing.svg import svg_file
from orthocline.formats.paper import MARGIN_MM, Size, laid
from orthocline.formats.pictures import TYPE_FILE, png_of
from orthocline.formats.printed import _Shipped, pdf_of
from orthocline.services.carry.cards import CARD_SIZES
from orthocline.wording.carry.cards import KINDS, faces_of
from orthocline.wording.wording import Wording

POINT_MM, CAP_MM = 25.4 / 72.0, 3.0
FOOT = 0.3048
WORD = re.compile(r'<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">([^<]+)</word>')
DOT = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10" width="10" height="10">{}</svg>'


def pdftotext(pdf, *flags):
    """Return what is written in a PDF."""
    return subprocess.run(
        ["pdftotext", *flags, "-", "-"], input=pdf, capture_output=True, check=True
    ).stdout.decode()


@pytest.fixture(scope="module")
def faces():
    grid = Grid(
        tuple(FOOT * one for one in (3, 5, 8, 12, 20, 30)), (0.01, 0.02, 0.03, 0.04), (0, 0.02, -0.02), 3.0
    )
    return faces_of(cards_of(Conditions(10.2, FOOT), grid, USUAL_GOLFER), list(KINDS), Wording(), "27 Nov")


@pytest.mark.parametrize("size", CARD_SIZES)
@pytest.mark.parametrize("paper", ["a4", "letter", "each"])
def test_all_of_a_card_is_on_paper_in_letters_of_three_millimetres(faces, size, paper):
    pdf = pdf_of(
        [svg_file(card_face(one), printed=True) for one in faces], CARD_SIZES[size], paper, "Cards", TYPE
    )
    sheet = laid(CARD_SIZES[size], paper)
    page = re.findall(r'<page width="([\d.]+)" height="([\d.]+)">', found := pdftotext(pdf, "-bbox"))
    assert len(page) == -(-len(faces) // len(sheet.places))
    assert tuple(float(one) * POINT_MM for one in page[0]) == pytest.approx(sheet.size, abs=0.1)
    assert len(pdf) / len(page) < 300_000
    words = [(float(y), float(foot), text) for _, y, _, foot, text in WORD.findall(found)]
    for face in faces:
        for row in face.rows:
            assert {one.figure for one in row.cells} <= {text for *_, text in words}
    font = TTFont(TYPE_FILE)
    cap = font["OS/2"].sCapHeight / (font["hhea"].ascent - font["hhea"].descent)
    assert min(POINT_MM * cap * (foot - top) for top, foot, _ in words) >= CAP_MM


def test_pages_lie_on_paper_apart_from_each_other_and_from_its_edge():
    for paper in ("a4", "letter"):
        for page in (*CARD_SIZES.values(), Size(108.0, 177.8)):
            sheet = laid(page, paper)
            assert len(set(sheet.places)) == len(sheet.places) >= 1
            for left, top in sheet.places:
                assert MARGIN_MM <= left <= sheet.size.wide_mm - MARGIN_MM - page.wide_mm
                assert MARGIN_MM <= top <= sheet.size.tall_mm - MARGIN_MM - page.tall_mm
    assert len(laid(CARD_SIZES["pocket"], "a4").places) == 8
    assert laid(Size(400.0, 300.0), "a4").size == Size(400.0, 300.0)


def test_nothing_is_fetched_from_anywhere(tmp_path):
    page = Size(20, 20)
    nothing = len(pdf_of([DOT.format("")], page, "each", "", TYPE))
    for address in ("http://127.0.0.1:9/x.png", (tmp_path / "x.svg").as_uri(), "/etc/hostname"):
        image = f'<image href="{address}" width="5" height="5"/>'
        assert len(pdf_of([DOT.format(image)], page, "each", "", TYPE)) == pytest.approx(nothing, abs=40)
        with pytest.raises(FatalURLFetchingError):
            _Shipped().fetch(address)
    with pytest.raises(FatalURLFetchingError):
        pdf_of(['<img src="http://127.0.0.1:9/x.png">'], page, "each", "", TYPE)


def test_a_title_of_any_letters_is_the_documents_own():
    pdf = pdf_of([DOT.format("<circle r='4'/>")], Size(20, 20), "each", "Ternholm </title> & <b>", TYPE)
    assert "</title>" not in pdftotext(pdf)


def test_a_picture_is_as_large_as_asked():
    png = png_of(DOT.format("<circle r='4'/>"), 3.0, "#ffffff")
    assert png[:8] == b"\x89PNG\r\n\x1a\n"
    assert int.from_bytes(png[16:20], "big") == 30
