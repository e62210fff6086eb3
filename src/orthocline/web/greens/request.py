"""What a green's page is asked for: the tool in hand, the place that is looked at, and what is chosen."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Final

from orthocline.core.chart import FARTHEST_M, Chart, Part
from orthocline.core.relief import Outline
from orthocline.formats.chart_document import CHARTED
from orthocline.web.shared.placing import moved_of
from orthocline.wording.ground.greens import TOOL_WORDS, parse_spot, spot_text
from orthocline.wording.quantities import QuantityError
from orthocline.wording.wording import Wording

Place = tuple[float, float]
TOOLS: Final = tuple(TOOL_WORDS)
CHOSEN: Final = re.compile(r"(reading|pin|corner|grain)-(\d{1,3})")
PARTS: Final[Mapping[str, Part]] = {
    "reading": "readings",
    "pin": "pins",
    "corner": "corners",
    "grain": "grain",
}
"""Parts of a chart by the name of one of it."""
LOOKING: Final = ("look", "putt")
"""Tools that change nothing: for greens of others."""
USUAL_INSTRUMENT: Final = "arrow"


@dataclass(frozen=True)
class MapAsked:
    """What is asked.

    Attributes
    ----------
    tool : str
        What a tap on the map does.
    by : str
        The instrument of a slope.
    spot : tuple of float or None
        The place that is looked at [m].
    typed, error : str
        That place as it was typed, and what is wrong with it.
    chosen : str
        What is chosen: ``pin-0``; empty for nothing.
    """

    tool: str = "look"
    by: str = USUAL_INSTRUMENT
    spot: Place | None = None
    typed: str = ""
    error: str = ""
    chosen: str = ""

    def fields(self, outline: Outline, wording: Wording) -> dict[str, str]:
        """Return the fields of its address that say something."""
        told = {
            "tool": "" if self.tool == TOOLS[0] else self.tool,
            "by": "" if self.by == USUAL_INSTRUMENT else self.by,
            "spot": spot_text(self.spot, outline, wording) if self.spot else self.typed,
            "chosen": self.chosen,
        }
        return {name: text for name, text in told.items() if text}

    def with_tool(self, tool: str) -> "MapAsked":
        """Return it with another tool in hand, and nothing chosen."""
        return replace(self, tool=tool, chosen="")

    def choosing(self, chosen: str) -> "MapAsked":
        """Return it with something chosen."""
        return replace(self, chosen=chosen, spot=None, typed="", error="")


def chosen_of(text: str, chart: Chart) -> tuple[Part, int] | None:
    """Return what is chosen of a chart: its part and number; None for what is not there."""
    match = CHOSEN.fullmatch(text)
    if match is None or int(match[2]) >= len(chart.part(PARTS[match[1]])):
        return None
    return PARTS[match[1]], int(match[2])


def map_asked(arguments: Mapping[str, str], chart: Chart, outline: Outline, wording: Wording) -> MapAsked:
    """Return what an address asks, with a tap or a drag of the place that is looked at."""
    tool, by, chosen = (arguments.get(name, "") for name in ("tool", "by", "chosen"))
    asked = MapAsked(
        tool if tool in TOOLS else TOOLS[0],
        by if by in CHARTED and by != "staff" else USUAL_INSTRUMENT,
        chosen=chosen if chosen_of(chosen, chart) else "",
    )
    moved, typed = moved_of(arguments), arguments.get("spot", "").strip()
    if moved and moved.handle in ("tap", "spot"):
        return replace(asked, spot=(moved.right_m, moved.beyond_m), chosen="")
    if not typed:
        return asked
    try:
        spot = parse_spot(typed, outline, wording)
    except QuantityError as error:
        return replace(asked, typed=typed, error=f"This place {error}.")
    if max(abs(spot[0]), abs(spot[1])) > FARTHEST_M:
        return replace(asked, typed=typed, error=f"A place lies within {FARTHEST_M:g} m of the front edge.")
    return replace(asked, spot=spot)
