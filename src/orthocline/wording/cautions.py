"""The cautions, where each applies: by the page's endpoint."""

from collections.abc import Mapping

GENERAL = (
    "For open play and practice: the rules in force and the committee decide what may be used in a round."
)
MEASURING = (
    "Testing a green's surface during a round may break the rules in force: ask the committee. Repair the"
    " surface where you stood."
)
LIFTING = "Mark a ball before you lift it, and put it back before you lift the marker."
CAUTIONS: Mapping[str, str] = {
    "today.page": (
        "Leave the green at the first thunder or lightning; drink, and find shade, in heat. Mind the glare of"
        " screen and sun."
    ),
    "speed.page": MEASURING,
    "ramp.page": (
        "For practice greens only: no ramps on a course green, and none during a round unless the rules in"
        " force and the committee allow it. Kneel with care, and repair the surface where you stood."
    ),
    "other_methods.page": (
        f"{MEASURING} On a hole of the course roll again only where that is allowed, and give way to the"
        " group behind."
    ),
    "beat.page": (
        "For practice: a tempo beat during a round may break the rules in force; ask the committee. Near"
        " others let it be a silent pulse."
    ),
    "along.page": (
        "Reads solved beforehand are reads: for practice and open play. In a round they may break the"
        " rules in force: ask the committee."
    ),
    "course.page": (
        "Reading by what was taken along is for practice and open play: in a round it may break the rules in"
        " force; ask the committee. Be ready when it is your turn, and keep the phone away while others putt."
    ),
    "cards.page": (
        "Cards are made before a round. Whether a printed one may be carried in it, and looked at, the rules"
        " in force and the committee say: ask them. A card is as sure as the speed and tilt that go in, and"
        " promises no holed putt."
    ),
    "book.page": (
        "A map of a green in a round: the rules in force say how large it may be, and a local rule may allow"
        " one made by hand only. Ask the committee. What is not sure is marked, and no map promises a putt."
    ),
    "prints.page": (
        "Made before the round, readable in it: whether you may look at them then the rules in force and the"
        " committee say. Ask before you tee off."
    ),
    "phone_level.page": (
        "For practice: measuring slope with a phone or a level during a round may break the rules in force;"
        " ask the committee. Lay it where nobody putts."
    ),
    "laid.page": (
        "For the desk: it is off in Competition. On a green a level or a plate is for practice, unless the"
        " rules in force and the committee allow it."
    ),
    "practice.page": (
        "Practise where it is allowed and nobody waits: before and between rounds the rules in force and the"
        " committee say where. Give way to those who play."
    ),
    "stand_in.page": "For the desk: it is off in Competition, and no simulated ball promises a real one.",
    "train.page": (
        "For the desk and the practice green: it is off in Competition. What it says of your eyes is as sure"
        " as its range says, and no promise of holing."
    ),
    "slopes.page": (
        "For practice: a level or a phone on the green during a round may break the rules in force; ask the"
        " committee. Walk backwards only where you have looked, and stay off others' lines."
    ),
    "drills.page": (
        "On a practice green, or where the course allows it: repeated putts, gates and false cups at a hole"
        " may break local rules. Rings of balls only while nobody putts. Give way to the group behind, and"
        " leave no mark. No target promises holing."
    ),
    "look.page": (
        "Stay off others' lines, keep your shadow still, and be ready when it is your turn. Feet and eyes are"
        " yours; a level, a phone and what is worked out here are for open play: ask the committee. Stand"
        " round the hole only while nobody putts."
    ),
    "eyes.page": (
        "Look from behind your ball while nobody waits, and never stand on another's line. Fingers, feet and"
        " eyes are yours; what is worked out here is for open play: ask the committee."
    ),
    "firm.page": (
        "Chances as of a usual golfer, and no promise of this putt. What advice may be asked for or given in"
        " a round the rules in force say."
    ),
    "schools.page": (
        "No school promises a holed putt. Fingers, feet and eyes are yours; what is worked out here is for"
        " practice unless the rules in force and the committee allow it."
    ),
    "balls.page": (
        "Watch others quietly, never from behind their line, and exchange no reads in a competition. A ball"
        " struck to test the green is for practice: ask the committee."
    ),
    "greens.green": (
        f"{MEASURING} Chart where nobody plays: no water and no pegs off the practice green, and no mark"
        " left. Look at a map in a round only if the rules in force allow it."
    ),
    "holes.page": (
        "For who keeps a green, before play: whether a player may look at it in a round the rules in force"
        " and the committee say. Walk the place before the hole is cut."
    ),
    "holes.one": (
        "As sure as the green's chart and the day's speed. Walk the place before the hole is cut, and look at"
        " what no chart has: worn, wet and sunken ground. In a round ask the committee before you look."
    ),
    "grain.page": (
        "Look at the cup's rim while nobody putts, and touch neither the cup nor the grass: testing the green"
        " during a round may break the rules in force; ask the committee. Grain is the least sure of all."
    ),
    "straight.page": (
        "A plate, a bubble or a level is for practice: during a round it may break the rules in force; ask"
        " the committee. Stand round the hole only while nobody putts, and walk where nobody's line is."
    ),
    "green_files.page": (
        "A measured map in a round may break the rules in force: how large it may be, and whether it must"
        " be by hand, the committee says."
    ),
    "rounds.page": (
        "In Competition all that reads, measures, times or advises is refused here. What else may be used in"
        " a round the rules in force and the committee say: ask before you tee off."
    ),
    "measures.page": "Pace your tape off the greens, and walk backwards with care.",
    "read.page": (
        "A read is as sure as its figures, and promises no holed putt. Keep up the pace of play, stay off"
        " others' lines, and do not trace the line with the putter; a caddie behind it: ask the rules in"
        " force."
    ),
    "log.page": f"Note putts where nobody waits. {LIFTING}",
    "habits.page": (
        "Habits are chances, and no promise. A correction is worked out here: take it into a round only if"
        " the rules in force and the committee allow it. Where a stroke hurts, ask a doctor, not a log."
    ),
    "clubs.one": (
        "A posted speed and a club's maps are as sure as their keepers were. What may be looked at in a round"
        " the rules in force say, and the committee."
    ),
    "pupils.page": (
        "What a coach says is advice: leave it before or after a round. Who may advise in one the rules in"
        " force say; in Competition neither side sees it here."
    ),
    "which_was_it.page": "Which it most likely was is no proof: it goes by how sure ground and finish are.",
    "noting.note_page": LIFTING,
    "prints.one": (
        "Look at it where the rules in force and the committee allow it, and where nobody waits for you."
    ),
    "noting.finish": LIFTING,
}
"""Beside the general one. The page of cautions has all."""


def caution(endpoint: str) -> str:
    """Return what stands at the foot of a page."""
    return " ".join(filter(None, (GENERAL, CAUTIONS.get(endpoint, ""))))
