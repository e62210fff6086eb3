"""Which question is asked, how its putt is looked at, and what is answered."""

from flask_wtf import FlaskForm
from wtforms import FloatField, RadioField, SelectField, StringField
from wtforms.fields.choices import SelectChoice
from wtforms.validators import InputRequired, Length, Optional

from orthocline.core.calls import SCHOOLS
from orthocline.core.ground import STOPS
from orthocline.core.train import MADE, READING, Asks, NoPuttError, Question
from orthocline.drawing.scene import Spot
from orthocline.drawing.sight.framing import Looking
from orthocline.services.train.putts import TERNHOLM_GREENS
from orthocline.services.train.sessions import COUNTS, MIXED, READER
from orthocline.web.shared.fields import FigureForm
from orthocline.web.shared.numbers import WholeField
from orthocline.wording.calls import SAYINGS
from orthocline.wording.train.questions import QUESTIONS
from orthocline.wording.wording import USUAL_WORDING

LONGEST = 80
STANDS = {
    "ball": ("ball", 0.0),
    "left": ("low_side", -1.0),
    "right": ("low_side", 1.0),
    "hole": ("hole", 0.0),
}
"""From where a putt is looked at: the stop of the walk, and on which side of the line."""
STAND_WORDS = {
    "ball": "behind ball",
    "left": "from left",
    "right": "from right",
    "hole": "behind hole",
}
FIRST_SCHOOL = "aim_spot"


def _schools() -> list[SelectChoice]:
    return [
        SelectChoice(name, SAYINGS[name].title(USUAL_WORDING))
        for name, school in SCHOOLS.items()
        if school.of_aim and school.launch
    ]


class QuestionForm(FigureForm):
    """The fields of an address that say which question it is."""

    asks = SelectField("Question", choices=[SelectChoice(one, one) for one in Asks])
    ground = StringField("Green", [Length(max=40)], default=MADE)
    level = FloatField("Level", [InputRequired()])
    seed = WholeField("Seed", [InputRequired()])

    @property
    def question(self) -> Question | None:
        """The question; None where there is none such."""
        if not self.validate():
            return None
        try:
            return Question(
                Asks(self.asks.data), self.ground.data or MADE, float(self.level.data), int(self.seed.data)
            )
        except (NoPuttError, TypeError, ValueError):
            return None


def question_fields(question: Question) -> dict[str, str]:
    """Return the fields of an address that say a question."""
    return {
        "asks": question.asks.value,
        "ground": question.ground,
        "level": f"{question.level:g}",
        "seed": str(question.seed),
    }


class DraftForm(FigureForm):
    """How the putt is looked at, and an answer that is not given yet."""

    stop = SelectField(
        "Look", choices=[SelectChoice(name, said) for name, said in STAND_WORDS.items()], default="ball"
    )
    answer = StringField("Your answer", [Length(max=LONGEST)])
    by = SelectField("In whose words", choices=_schools, default=FIRST_SCHOOL)
    side = RadioField(
        "Side", choices=[SelectChoice("left", "left"), SelectChoice("right", "right")], default="right"
    )

    def looking(self, shape: str) -> Looking:
        """How it is looked at on a sheet of that shape."""
        name, side = STANDS.get(self.stop.data or "ball", STANDS["ball"])
        return Looking(STOPS[name], shape=shape, side=side)

    @property
    def fields(self) -> dict[str, str]:
        """The fields of an address that say so."""
        said = {name: str(field.data or "") for name, field in self._fields.items()}
        return {name: text for name, text in said.items() if text}


class MoveForm(FigureForm):
    """What is done to an answer that is not given yet: tapped on the drawing, stepped, or walked round."""

    tap = StringField("Tap", [Length(max=40)])
    step = WholeField("Step", [Optional()])
    along = WholeField("Along", [Optional()])
    walk = StringField("Walk", [Length(max=10)])
    turn = FloatField("Turn", [Optional()])

    @property
    def spot(self) -> Spot | None:
        """Where the drawing was tapped, in its units."""
        x, comma, y = (self.tap.data or "").partition(",")
        try:
            return Spot(float(x), float(y)) if comma else None
        except ValueError:
            return None


class BeginForm(FlaskForm):
    """What a session asks, where, and how much of it."""

    asks = SelectField("What", default=MIXED)
    ground = SelectField("On", default=MADE)
    wanted = RadioField(
        "How many", choices=[SelectChoice(str(one), str(one)) for one in COUNTS], default="10"
    )

    def offer(self, own: dict[str, str]) -> "BeginForm":
        """Offer the questions, and the greens there are: made up, of Ternholm, and one's own."""
        named = [SelectChoice(one.value, QUESTIONS[one].name) for one in (*READING, Asks.CARD)]
        self.asks.choices = [
            SelectChoice(MIXED, "A bit of everything"),
            *named,
            SelectChoice(READER, "Which reader am I"),
        ]
        greens = {MADE: "Made-up greens", **TERNHOLM_GREENS, **own}
        self.ground.choices = [SelectChoice(name, said) for name, said in greens.items()]
        return self
