"""What a slope is measured for, as an address carries it, and the way back with what was read."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from urllib.parse import parse_qsl, urlencode

from orthocline.web.shared.readings import FIELD
from orthocline.wording.ground.readings import hour_text, parse_share
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import Wording

NAMES = ("read", "at", "ask", "pair", "straight")
HALF_WAY, AT_HOLE = "50 %", "100 %"


@dataclass(frozen=True)
class Laid:
    """What an instrument read.

    Attributes
    ----------
    by : str
        The instrument.
    way : str
        Its edge: ``across`` the line, its end to the right, or ``along`` it, its end to the hole.
    rise : float
        How the ground rises along its edge [ratio].
    fall_rad : float or None
        Of a plate, the way that the ground falls [rad], clockwise from the way to the hole.
    """

    by: str
    way: str
    rise: float = 0.0
    fall_rad: float | None = None

    @property
    def falls(self) -> str:
        """Which side is low, as a reading says it."""
        ways = ("left", "right") if self.way == "across" else ("ball", "hole")
        return ways[self.rise < 0.0]


@dataclass(frozen=True)
class Errand:
    """What a slope is measured for.

    Attributes
    ----------
    read : str
        The query of the read that it is for, or of the walk; empty for none.
    at : str
        Where along that putt it lies, as its address says it; empty for half-way, or the whole putt.
    ask : str
        What it answers in the walk; empty where it is for a read.
    pair : str
        A slope that was guessed before, to be compared: its fields as a query; empty for none.
    straight : str
        The query of a read whose straight putt is looked for; empty for none.
    """

    wording: Wording
    read: str = ""
    at: str = ""
    ask: str = ""
    pair: str = ""
    straight: str = ""

    @property
    def fields(self) -> dict[str, str]:
        """The fields of an address that carries it."""
        said = {name: getattr(self, name) for name in NAMES}
        return {name: text for name, text in said.items() if text}

    @property
    def share(self) -> float:
        """Where along the putt it is [1]: at the hole for the straight putt, else half-way where not said."""
        try:
            usual = AT_HOLE if self.straight else HALF_WAY
            return min(max(parse_share(self.at or usual, 1.0, self.wording), 0.0), 1.0)
        except QuantityError:
            return 0.5

    def size(self, laid: Laid) -> str:
        """Return the slope as the walk takes it: below nothing where it falls to the left, or to the hole."""
        if not self.ask or laid.fall_rad is not None:
            return ""
        falls = -laid.rise if laid.way == "across" else laid.rise
        return f"{'-' if falls < 0.0 else ''}{self.wording.typed_slope(abs(falls))}"

    def compared(self, laid: Laid) -> dict[str, str]:
        """Return the fields of a guess with what was read; none where nothing was guessed."""
        if not self.pair or laid.fall_rad is not None:
            return {}
        return dict(parse_qsl(self.pair)) | {"level": self.wording.typed_slope(abs(laid.rise))}

    def address(self, laid: Laid, other: Laid | None = None) -> str:
        """Return the address of the read, or of the straight putt, with what was read; empty for neither.

        The straight putt takes the `other` way's reading too.
        """
        if self.ask or self.pair:
            return ""
        if self.straight or laid.fall_rad is not None:
            return f"/straight?{urlencode(self._straight([laid, other] if other else [laid]))}"
        return f"/read?{urlencode(self.read_with(laid))}"

    def read_with(self, laid: Laid) -> Mapping[str, str]:
        """Return the fields of the read with what was read: one more place, or the tilt of all of it.

        Of a read without places, what lies nowhere in particular is the tilt of all of it.
        """
        fields = dict(parse_qsl(self.read))
        places = [int(found[1]) for name in fields if (found := FIELD.fullmatch(name))]
        if places or self.at or laid.fall_rad is not None:
            return fields | self._spot(1 + max(places, default=-1), laid, self.at or HALF_WAY)
        slope = self.wording.typed_slope(abs(laid.rise))
        if laid.way == "across":
            return fields | {"side": slope, "falls": laid.falls, "side_from": laid.by}
        way = "down" if laid.falls == "hole" else "up"
        return fields | {"rise": slope, "slope": way, "rise_from": laid.by}

    def _straight(self, laids: Sequence[Laid]) -> Mapping[str, str]:
        """Return the fields of the straight putt: what a plate says, or readings across and along."""
        fields = dict(parse_qsl(self.straight or self.read))
        found = {name: text for name, text in fields.items() if not FIELD.fullmatch(name)}
        for number, laid in enumerate(laids):
            found |= self._spot(number, laid, AT_HOLE)
        return found

    def _spot(self, number: int, laid: Laid, at: str) -> dict[str, str]:
        said = {"at": at, "by": laid.by}
        if laid.fall_rad is None:
            said |= {"falls": laid.falls, "size": self.wording.typed_slope(abs(laid.rise))}
        else:
            said |= {"size": f"{hour_text(laid.fall_rad % math.tau)} h"}
        return {f"spot-{number}-{name}": text for name, text in said.items()}


def errand_of(arguments: Mapping[str, str], wording: Wording) -> Errand:
    """Return what an address says that a slope is measured for."""
    return Errand(wording, **{name: arguments.get(name, "") for name in NAMES})
