"""A new token."""

from flask_wtf import FlaskForm
from wtforms import SelectMultipleField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import InputRequired, Length

from orthocline.services.share.tokens import SCOPES, TOKEN_NAME_LENGTH
from orthocline.web.shared.fields import BOXES
from orthocline.web.shared.places import TOO_LONG

CHOICES = [SelectChoice(name, f"{words[0].upper()}{words[1:]}") for name, words in SCOPES.items()]


class TokenForm(FlaskForm):
    """What a token is called, and what it is for."""

    name = StringField(
        "What it is for",
        validators=[
            InputRequired("Name what it is for."),
            Length(max=TOKEN_NAME_LENGTH, message=TOO_LONG),
        ],
        render_kw={"autocomplete": "off"},
    )
    scopes = SelectMultipleField("It may", choices=CHOICES, **BOXES)
