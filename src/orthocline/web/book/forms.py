"""What a green book is made of."""

from typing import Final

from wtforms import HiddenField, RadioField, SelectMultipleField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import StopValidation

from orthocline.core.cards import BookSize
from orthocline.services.carry.book import MOST_PAGES, BookAsked
from orthocline.web.shared.fields import BOXES, FigureForm, QuantityField
from orthocline.web.shared.paper import PAPER_CHOICES
from orthocline.wording.quantities import parse_near_m, parse_number

SHOWS_CHOICES = [SelectChoice("arrows", "arrows"), SelectChoice("contours", "contours")]
FROM_CHOICES = [SelectChoice("all", "all I know"), SelectChoice("hand", "by hand only")]
WITH_CHOICES = [SelectChoice("pins", "Pins"), SelectChoice("notes", "My notes")]
SCALES: Final = (100.0, 2000.0)
PAGES_M: Final = (0.06, 0.3)


def _page(label: str) -> QuantityField:
    return QuantityField(
        label, parse_near_m, between=PAGES_M, allowed="between 2.4 and 11.8 in, such as 4.25 in or 10.8 cm"
    )


class BookForm(FigureForm):
    """What is asked of a book; `sent` says that its boxes count, ticked or not."""

    sent = HiddenField()
    course = HiddenField()
    green = SelectMultipleField("Greens", coerce=int, **BOXES)
    shows = RadioField("Shows", choices=SHOWS_CHOICES)
    made_from = RadioField("From", choices=FROM_CHOICES)
    also = SelectMultipleField("With", choices=WITH_CHOICES, **BOXES)
    scale = QuantityField(
        "Scale, 1 to",
        lambda text, _: parse_number(text, "a number such as 480"),
        between=SCALES,
        allowed="between 100 and 2000, such as 480",
    )
    wide = _page("Page wide")
    tall = _page("Page tall")
    paper = RadioField("Paper", choices=PAPER_CHOICES)

    def validate_green(self, field: SelectMultipleField) -> None:
        """Refuse a book without a page, and one that no pocket takes."""
        if not field.data:
            raise StopValidation("Choose one green or more.")
        if len(field.data) > MOST_PAGES:
            raise StopValidation(f"A book has {MOST_PAGES} pages at most.")

    @property
    def asked(self) -> BookAsked:
        """What a form that validates asks for."""
        figures = [one.figure for one in (self.scale, self.wide, self.tall) if one.figure is not None]
        also = self.also.data or ()
        return BookAsked(
            tuple(self.green.data or ()),
            BookSize(*figures),
            self.shows.data or "",
            self.made_from.data == "hand",
            "pins" in also,
            "notes" in also,
            self.paper.data or "",
        )
