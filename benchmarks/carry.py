"""What is carried: how long cards, a book and a pack take, and how large they are."""

import gzip
import json
import time

from sqlalchemy import NullPool, create_engine, select
from sqlalchemy.orm import Session

from bars import bar
from orthocline.core.calls import USUAL_GOLFER
from orthocline.core.cards import BookSize
from orthocline.db.account.models import Golfer
from orthocline.db.server.migrate import upgrade
from orthocline.drawing.carry.card import card_face
from orthocline.drawing.plain import TYPE
from orthocline.drawing.svg import svg
from orthocline.formats.pictures import png_of
from orthocline.formats.printed import pdf_of
from orthocline.services.account.access import Viewer
from orthocline.services.carry.book import BookAsked, book_pages
from orthocline.services.carry.cards import cards_pages, faces, usual_cards
from orthocline.services.carry.pack import pack_task, packed
from orthocline.services.demo.golfer import load_demo
from orthocline.services.ground.charts import list_greens
from orthocline.wording.wording import USUAL_WORDING

NINE = 9


def bench_carry(url):
    """Print the seconds of each step, and kilobytes a sheet."""
    print("carried")
    upgrade(url)
    with Session(create_engine(url, poolclass=NullPool)) as session:
        load_demo(session)
        viewer = Viewer(session.scalars(select(Golfer).order_by(Golfer.id)).first())
        cards = usual_cards((9.6, 10.2), 0.23, metric=False)
        begun = time.perf_counter()
        made = faces(viewer, cards, USUAL_GOLFER, USUAL_WORDING, "1 May")
        solved = time.perf_counter()
        drawn = sum(len(svg(card_face(one))) for one in made)
        said(f"page of {len(made)} cards", solved - begun, time.perf_counter() - solved, drawn)
        asked = cards.document | {"day": "1 May"}
        printed(f"{len(made)} cards", lambda: cards_pages(viewer, session, asked))
        greens = tuple(one.id for one in list_greens(viewer, session))[:NINE]
        book = BookAsked(greens, BookSize()).document | {"day": "1 May"}
        printed(f"book of {NINE} greens", lambda: book_pages(viewer, session, book))
        taken_along(viewer, session)


def taken_along(viewer, session):
    """Print how long the pack of nine greens takes, how large it is, and how exact."""
    course = list_greens(viewer, session)[0].place.course
    task = pack_task(viewer, session, course, 10.2, 0.23)
    task.asked["greens"] = task.asked["greens"][:NINE]
    begun = time.perf_counter()
    whole = b"".join(one.content for one in packed(viewer, session, task))
    took = time.perf_counter() - begun
    pack, small = json.loads(whole), len(gzip.compress(whole, 6))
    pins, exact = sum(len(green["pins"]) for green in pack["greens"]), pack["exactness"]
    bar(f"pack of {len(pack['greens'])} greens, {pins} pins", took, "s", most=60)
    bar("its size, packed", small / 1e3, "kB", most=1500, against=f"{len(whole) / 1e3:.0f} kB as it is read")
    told = f"{exact['reads']} reads by the solver; {100 * exact['missing']:.1f} % missing"
    bar("its reads within half an inch or 5 % of the break", 100 * exact["near"], "%", least=95, against=told)


def said(what, solving, drawing, size):
    print(f"  {what}: solved {solving:.2f} s, drawn {drawing:.2f} s, {size / 1e3:.0f} kB")


def printed(what, pages):
    """Print how long a print takes, and how much a sheet of it is."""
    begun = time.perf_counter()
    laid = pages()
    drawings = [one.drawing for one in laid.pages]
    solved = time.perf_counter()
    pdf = pdf_of(drawings, laid.size, laid.paper, what, TYPE)
    done = time.perf_counter()
    for one in drawings:
        png_of(one, 2.0, "#ffffff")
    last = time.perf_counter()
    said = f"its pages {solved - begun:.1f} s before; as pictures {last - done:.1f} s"
    bar(f"PDF of {what}", done - solved, "s", most=3, against=said)
    bar(f"a page of {what}", len(pdf) / len(drawings) / 1e3, "kB", most=300)
