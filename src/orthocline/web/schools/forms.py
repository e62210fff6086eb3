"""Which two schools stand side by side."""

from wtforms import SelectField
from wtforms.fields.choices import SelectChoice

from orthocline.core.calls import SCHOOLS
from orthocline.web.shared.fields import FigureForm
from orthocline.wording.calls import SAYINGS
from orthocline.wording.wording import USUAL_WORDING


def _choices() -> list[SelectChoice]:
    return [SelectChoice(name, SAYINGS[name].title(USUAL_WORDING)) for name in SCHOOLS]


class TwoForm(FigureForm):
    """Two schools, by their names."""

    one = SelectField("One school", choices=_choices, default="hand_gauge")
    other = SelectField("The other", choices=_choices, default="plumb_line")

    @property
    def names(self) -> tuple[str, str]:
        """Their names."""
        return str(self.one.data), str(self.other.data)
