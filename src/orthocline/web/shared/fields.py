"""Form fields for what golfers type: a figure with its unit, kept as typed."""

from collections.abc import Callable, Mapping
from typing import Any, Final

from flask_wtf import FlaskForm
from wtforms import Form, SelectField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import StopValidation
from wtforms.widgets import CheckboxInput, ListWidget

from orthocline.core.units import PERCENT
from orthocline.wording.quantities import QuantityError, parse_number, parted
from orthocline.wording.ways import WAYS_DEG, way_rad, way_words
from orthocline.wording.wording import USUAL_WORDING, Wording

BOXES: Final[dict[str, Any]] = {"option_widget": CheckboxInput(), "widget": ListWidget(prefix_label=False)}
"""How a field of several choices is shown: a box each."""


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
        self._take(self._parsed(text))

    def _parsed(self, text: str) -> float:
        try:
            return self.parse(text, self.wording)
        except QuantityError as error:
            raise StopValidation(f"{self.label.text} {error}.") from error

    def _take(self, figure: float) -> None:
        """Keep a figure that lies within its range; else say what does."""
        least, most = self.between
        if not least <= figure <= most:
            raise StopValidation(f"{self.label.text} must be {self.allowed}.")
        self.figure = figure


class DoubtedField(QuantityField):
    """A figure that may say within how much it is sure (95 %): ``2.1 ±0.8 %``.

    Attributes
    ----------
    plain : str
        The figure as typed, without that.
    within : float or None
        Within how much it is sure, in the figure's SI unit.
    """

    plain = ""
    within: float | None = None

    def __init__(self, *arguments: Any, most_within: float, sure: str, **more: Any) -> None:
        super().__init__(*arguments, **more)
        self.most_within, self.sure = most_within, sure

    def pre_validate(self, form: Any) -> None:
        """Find the figure, and within how much it is sure."""
        del form
        self.plain, within = parted((self.data or "").strip())
        figure = self._parsed(self.plain)
        self._take(figure)
        if within:
            self.within = self._within(within, figure)
            if not 0.0 <= self.within <= self._most(figure):
                raise StopValidation(f"{self.label.text} is sure within {self.sure}.")

    def _within(self, text: str, _figure: float) -> float:
        return self._parsed(text)

    def _most(self, _figure: float) -> float:
        return self.most_within


class LengthField(DoubtedField):
    """A length, sure within another or a share of itself: ``14 ft ±4 %``; `most_within` is a share."""

    def _within(self, text: str, figure: float) -> float:
        share = text.removesuffix("%")
        return self._parsed(text) if share == text else PERCENT * figure * self._number(share)

    def _most(self, figure: float) -> float:
        return self.most_within * figure

    def _number(self, text: str) -> float:
        try:
            return parse_number(text, "a share such as 4 %")
        except QuantityError as error:
            raise StopValidation(f"{self.label.text} {error}.") from error


class WayField(SelectField):
    """A way on the ground: one that has a name, or so many degrees left of the hole."""

    way_rad = 0.0

    def __init__(self, label: str, words: Mapping[str, str] | None = None, **more: Any) -> None:
        super().__init__(label, choices=[], **more)
        named = words or {name: way_words(name) for name in WAYS_DEG}
        self.named = [SelectChoice(name, said) for name, said in named.items()]

    def process_data(self, value: str | None) -> None:
        """Take what is chosen or asked for, a way without a name as one more choice."""
        super().process_data(value)
        self._offer()

    def process_formdata(self, valuelist: list[str]) -> None:
        """Take what is chosen or asked for, a way without a name as one more choice."""
        super().process_formdata(valuelist)
        self._offer()

    def _offer(self) -> None:
        way = way_rad(self.data or "")
        self.way_rad = way or 0.0
        self.choices = self.named
        if way is not None and self.data not in WAYS_DEG:
            self.choices = [*self.named, SelectChoice(self.data, way_words(self.data))]
