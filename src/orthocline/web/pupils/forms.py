"""What a coach leaves, and whom pupils are compared with."""

from collections.abc import Iterable, Mapping
from typing import Any

from flask_wtf import FlaskForm
from wtforms import TextAreaField
from wtforms.validators import InputRequired, Length, Optional

from orthocline.core.account import GOLFERS, USUAL_LEVEL
from orthocline.services.share.coaching import MOST_DRILLS, WORDS_LENGTH

TURNS = range(1, MOST_DRILLS + 1)
TURN = "turn-"
"""Before the name of a drill in the field that says when its turn is."""


class NoteForm(FlaskForm):
    """A note on a putt."""

    words = TextAreaField(
        "Your note",
        validators=[InputRequired("What do you want to say of it?"), Length(max=WORDS_LENGTH)],
        render_kw={"rows": 3},
    )


class SessionForm(FlaskForm):
    """What a session of drills is for."""

    words = TextAreaField(
        "What for", validators=[Optional(), Length(max=WORDS_LENGTH)], render_kw={"rows": 2}
    )
    drills_error = ""

    def take(self, error: Any) -> None:
        """Say what is wrong beside its field."""
        if error.field == "words":
            self.words.errors = [str(error)]
        else:
            self.drills_error = str(error)


def level_asked(arguments: Mapping[str, str]) -> str:
    """Return the level of the usual golfer that is asked for; the usual one for none that is known."""
    level = arguments.get("level", "")
    return level if level in GOLFERS else USUAL_LEVEL


def turns_typed(fields: Iterable[tuple[str, str]]) -> dict[str, int]:
    """Return the turns of drills, by name, of those that have one."""
    turns = {}
    for name, typed in fields:
        if name.startswith(TURN) and typed.isdecimal() and len(typed) < 3 and int(typed):
            turns[name.removeprefix(TURN)] = int(typed)
    return turns


def in_turn(turns: Mapping[str, int]) -> list[str]:
    """Return drills in the order of their turns; those with the same turn as they stand on the shelf."""
    return sorted(turns, key=lambda name: turns[name])
