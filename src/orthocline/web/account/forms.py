"""Forms of an account."""

from flask_wtf import FlaskForm
from wtforms import BooleanField, PasswordField, StringField
from wtforms.validators import InputRequired, Length

from orthocline.services.account.accounts import NAME_LENGTH, PASSWORD_LENGTHS, TIME_ZONE_LENGTH
from orthocline.services.account.forgotten import CODE_LENGTH

PASSWORD_NEEDED = [InputRequired("Enter your password.")]
CURRENT = {"autocomplete": "current-password"}


def _new_password(label: str) -> PasswordField:
    return PasswordField(
        label,
        validators=[
            InputRequired("Enter a password."),
            Length(*PASSWORD_LENGTHS, message="A password has %(min)d to %(max)d characters."),
        ],
        render_kw={"autocomplete": "new-password"},
    )


def _stays() -> BooleanField:
    label = "Stay signed in on this device, for 30 days"
    return BooleanField(label, render_kw={"class": "size-5 accent-ink"})


class SignUpForm(FlaskForm):
    """A new golfer."""

    name = StringField(
        "Name",
        validators=[InputRequired("Enter a name."), Length(max=NAME_LENGTH)],
        render_kw={"autocomplete": "username"},
    )
    password = _new_password("Password")
    stays = _stays()


class SignInForm(FlaskForm):
    """A golfer who comes back."""

    name = StringField(
        "Name", validators=[InputRequired("Enter your name.")], render_kw={"autocomplete": "username"}
    )
    password = PasswordField("Password", validators=PASSWORD_NEEDED, render_kw=CURRENT)
    stays = _stays()


class ForgottenForm(FlaskForm):
    """A golfer who forgot the password, and kept the code."""

    name = StringField(
        "Name", validators=[InputRequired("Enter your name.")], render_kw={"autocomplete": "username"}
    )
    code = StringField(
        "Code",
        validators=[InputRequired("Enter the code."), Length(max=CODE_LENGTH)],
        render_kw={"autocomplete": "off", "autocapitalize": "characters", "spellcheck": "false"},
    )
    new_password = _new_password("New password")


class ResetCodeForm(FlaskForm):
    """What a new code is given for."""

    password = PasswordField(
        "Your password", validators=PASSWORD_NEEDED, render_kw=CURRENT, id="code-password"
    )


class TimeZoneForm(FlaskForm):
    """By whose clock the golfer lives."""

    time_zone = StringField(
        "Time zone",
        validators=[InputRequired("Choose a time zone such as Europe/Oslo."), Length(max=TIME_ZONE_LENGTH)],
        render_kw={"list": "zones"},
    )


class DeleteForm(FlaskForm):
    """The word that deletes an account."""

    password = PasswordField("Your password", validators=PASSWORD_NEEDED, render_kw=CURRENT)


class PasswordForm(FlaskForm):
    """A new password, and the one that it replaces."""

    password = PasswordField("Password now", validators=PASSWORD_NEEDED, render_kw=CURRENT, id="password-now")
    new_password = _new_password("New password")
