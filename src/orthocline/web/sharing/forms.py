"""What may be seen, and the code that lets somebody see it."""

from typing import Any

from flask_wtf import FlaskForm
from wtforms import SelectMultipleField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import InputRequired, Length

from orthocline.services.share.sharing import PUPILS_CHOICE
from orthocline.web.shared.fields import BOXES
from orthocline.wording.share.sharing import SHARE_MEANS, SHARE_WORDS

CHOICES = [
    SelectChoice(one.value, f"{SHARE_WORDS[one].capitalize()}: {SHARE_MEANS[one]}") for one in PUPILS_CHOICE
]


class WhatForm(FlaskForm):
    """What of a golfer's may be seen."""

    what = SelectMultipleField("What may be seen", choices=CHOICES, **BOXES)


class CodeForm(FlaskForm):
    """A code that was given."""

    code = StringField(
        "Code",
        validators=[InputRequired("Type the code that you were given."), Length(max=40)],
        render_kw={"autocomplete": "off", "autocapitalize": "characters", "placeholder": "7K4MQ-2XWHB"},
    )


def chosen(form: WhatForm) -> list[str]:
    """Return what was ticked."""
    data: Any = form.what.data
    return list(data or [])
