"""What is said of a file of a green: which green it is of, what its figures mean, where the green lies."""

import re
from collections.abc import Mapping
from typing import Any, Final

from flask_wtf import FlaskForm
from wtforms import SelectField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import Optional, StopValidation

from orthocline.core.chart import NARROWEST_M, WIDEST_M
from orthocline.formats.green_files.source import UNITS
from orthocline.web.shared.fields import PostedFigureForm, QuantityField
from orthocline.web.shared.places import place_fields
from orthocline.wording.ground.green_files import FIRST_WORDS, UNIT_WORDS
from orthocline.wording.quantities import parse_degrees, parse_length_m
from orthocline.wording.wording import Wording

NUMBER: Final = re.compile(r"(?:epsg[: ]*)?(\d{4,6})", re.IGNORECASE)
FARTHEST_M: Final = 1e8
UNSAID: Final = "not said"


class GiveForm(FlaskForm):
    """The green that a file is of."""

    course, green = place_fields()


def _degrees(text: str, _wording: Wording) -> float:
    return parse_degrees(text)


def _paced(text: str, wording: Wording) -> float:
    return parse_length_m(text, "paces", wording)


def _choice(label: str, words: Mapping[str, str]) -> SelectField:
    """Return a choice, of which nothing may be said; what the file says itself is not asked."""
    choices = [SelectChoice(*one) for one in (("", UNSAID), *words.items())]
    return SelectField(label, choices=choices, validate_choice=False)


def _size(label: str) -> QuantityField:
    allowed = f"from {NARROWEST_M:g} to {WIDEST_M:g} m"
    between = (NARROWEST_M, WIDEST_M)
    return QuantityField(label, _paced, between=between, allowed=allowed, optional=True)


class SystemField(StringField):
    """The number of a coordinate system: ``25832``, ``EPSG:25832``."""

    @property
    def system(self) -> str:
        """The system; empty where none is said."""
        match = NUMBER.fullmatch((self.data or "").strip())
        return f"EPSG:{match[1]}" if match else ""

    def pre_validate(self, form: Any) -> None:
        """Refuse what is no number of one."""
        del form
        if (self.data or "").strip() and not self.system:
            raise StopValidation("A coordinate system goes by its EPSG number, such as 25832.")


class MiddleField(StringField):
    """A place in the file's own metres: ``565012.4, 5930010``."""

    place: tuple[float, float] | None = None

    def pre_validate(self, form: Any) -> None:
        """Find the place, or say what is allowed."""
        del form
        parts = (self.data or "").replace(",", " ").split()
        if not parts:
            return
        try:
            east, north = (float(one) for one in parts)
        except ValueError as error:
            raise StopValidation("A place is two figures in metres: east, then north.") from error
        if not (abs(east) < FARTHEST_M and abs(north) < FARTHEST_M):
            raise StopValidation("That place lies nowhere.")
        self.place = east, north


class LookForm(PostedFigureForm):
    """What a file does not say, and where the green lies in it."""

    system = SystemField("Coordinate system (EPSG)")
    unit = _choice("Unit of its places", UNIT_WORDS)
    height_unit = _choice("Unit of its heights", {name: UNIT_WORDS[name] for name in UNITS})
    first = _choice("Which coordinate stands first", FIRST_WORDS)
    up = QuantityField(
        "Play comes in toward",
        _degrees,
        between=(-360.0, 360.0),
        allowed="an angle clockwise from north",
        optional=True,
    )
    middle = MiddleField("Its middle: east, north [m]", validators=[Optional()])
    deep = _size("How deep")
    wide = _size("How wide")

    @property
    def answers(self) -> dict[str, Any]:
        """The answers, as a job is asked them."""
        return {
            "system": self.system.system,
            "unit": self.unit.data or "",
            "height_unit": self.height_unit.data or "",
            "first": self.first.data or "",
            "up_deg": self.up.figure,
            "middle": self.middle.place,
            "deep_m": self.deep.figure,
            "wide_m": self.wide.figure,
        }


def shown_answers(
    asked: Mapping[str, Any], middle: tuple[float, float] | None, up_deg: float | None
) -> dict[str, str]:
    """Return the fields of the form as they are shown: what was asked, and where the green came to lie."""
    place = asked.get("middle") or middle
    up = asked["up_deg"] if asked.get("up_deg") is not None else up_deg
    sizes = {name: asked.get(f"{name}_m") for name in ("deep", "wide")}
    return {
        "system": (asked.get("system") or "").removeprefix("EPSG:"),
        **{name: asked.get(name) or "" for name in ("unit", "height_unit", "first")},
        "up": "" if up is None else f"{up:g} deg",
        "middle": f"{place[0]:.2f}, {place[1]:.2f}" if place else "",
        **{name: "" if size is None else f"{size:.4g} m" for name, size in sizes.items()},
    }
