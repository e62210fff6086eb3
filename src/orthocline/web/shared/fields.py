"""Form fields for what golfers type: a figure with its unit, kept as typed."""

from collections.abc import Callable
from typing import Any

from flask_wtf import FlaskForm
from wtforms import Form, StringField
from wtforms.validators import StopValidation

from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import USUAL_WORDING, Wording


class WordingMeta:
    """What a form with figures knows of its golfer; a form is made with ``meta={"wording": ...}``."""

    wording = USUAL_WORDING


class FigureForm(Form):
    """A form of an address whose figures are typed in the golfer's units."""

    class Meta(WordingMeta):
        """The golfer's units."""

    @property
    def wording(self) -> Wording:
        """How the golfer of this form says figures."""
        wording: Wording = self.meta.wording
        return wording


class PostedFigureForm(FlaskForm):
    """A posted form whose figures are typed in the golfer's units."""

    class Meta(WordingMeta, FlaskForm.Meta):
        """The golfer's units."""


class QuantityField(StringField):
    """A text field whose `figure` is what the text means, in SI units."""

    def __init__(
        self,
        label: str,
        parse: Callable[[str, Wording], float],
        *,
        between: tuple[float, float],
        allowed: str,
        optional: bool = False,
        **more: Any,
    ) -> None:
        super().__init__(label, **more)
        self.parse, self.between, self.allowed, self.optional = parse, between, allowed, optional
        self.figure: float | None = None

    @property
    def wording(self) -> Wording:
        """How the golfer of this form types figures."""
        wording: Wording = self.meta.wording
        return wording

    def pre_validate(self, form: Any) -> None:
        """Find the figure, or say what is allowed."""
        del form
        text = (self.data or "").strip()
        if not text and self.optional:
            return
        try:
            figure = self.parse(text, self.wording)
        except QuantityError as error:
            raise StopValidation(f"{self.label.text} {error}.") from error
        least, most = self.between
        if not least <= figure <= most:
            raise StopValidation(f"{self.label.text} must be {self.allowed}.")
        self.figure = figure
