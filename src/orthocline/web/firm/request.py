"""What is asked of the gate to practise a start line."""

from typing import NamedTuple

from orthocline.core.holing import StartGate, gate_at, gate_of_width, gate_that_stands


class Gate(NamedTuple):
    """A gate to practise the start line as it is asked for: how far ahead, how wide [m], within what [rad].

    What is None follows from the others, the tolerance from this putt; it stands at `usual_m` then.
    """

    usual_m: float
    ahead_m: float | None = None
    wide_m: float | None = None
    within_rad: float | None = None

    def stand(self, within_rad: float) -> StartGate | None:
        """Return the gate, for a putt of a tolerance [rad]."""
        within = within_rad if self.within_rad is None else self.within_rad
        if self.wide_m is None:
            return gate_at(self.ahead_m or self.usual_m, within)
        if self.ahead_m is None:
            return gate_of_width(self.wide_m, within)
        return gate_that_stands(self.ahead_m, self.wide_m)
