"""Forms of an account."""

from flask_wtf import FlaskForm
from wtforms import PasswordField, StringField
from wtforms.validators import InputRequired, Length

from orthocline.db.models import NAME_LENGTH
from orthocline.services.accounts import PASSWORD_LENGTHS


class SignUpForm(FlaskForm):
    """A new golfer."""

    name = StringField("Name", validators=[InputRequired("Enter a name."), Length(max=NAME_LENGTH)])
    password = PasswordField(
        "Password",
        validators=[
            InputRequired("Enter a password."),
            Length(*PASSWORD_LENGTHS, message="A password has %(min)d to %(max)d characters."),
        ],
    )


class SignInForm(FlaskForm):
    """A golfer who comes back."""

    name = StringField("Name", validators=[InputRequired("Enter your name.")])
    password = PasswordField("Password", validators=[InputRequired("Enter your password.")])


class DeleteForm(FlaskForm):
    """The word that deletes an account."""

    password = PasswordField("Your password", validators=[InputRequired("Enter your password.")])
