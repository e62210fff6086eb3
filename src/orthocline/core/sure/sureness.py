"""How far one read can be trusted: each part is worked out when it is first asked for."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from orthocline.core.ground import Stations
from orthocline.core.roll import (
    PlaneSets,
    Read,
    Sensitivity,
    by_closed_form,
    sensitivity_of,
)
from orthocline.core.sure.counting import Counting, counting_of
from orthocline.core.sure.doubts import ANGLE, Doubts, doubts_of, is_read_uncertainly
from orthocline.core.sure.inputs import normal_scores, sets_of
from orthocline.core.sure.next_reading import NextReading, next_readings
from orthocline.core.sure.ranges import AimRange, normal_range, range_of_sets
from orthocline.core.sure.start_lines import FAN_SETS, StartLines, start_lines_of
from orthocline.core.sure.uncertainty import CERTAIN, Uncertainty
from orthocline.core.survey import Survey


@dataclass(frozen=True)
class Sureness:
    """How far a read can be trusted.

    Attributes
    ----------
    read : Read
        The read.
    uncertainty : Uncertainty
        Standard deviations of its putt's figures.
    """

    read: Read
    uncertainty: Uncertainty

    @property
    def certain(self) -> bool:
        """Whether every figure is taken as it is, so that there is no range."""
        ground = self.read.putt.surface
        if isinstance(ground, Survey):
            return False
        read = isinstance(ground, Stations) and is_read_uncertainly(ground, self.uncertainty)
        return self.uncertainty == CERTAIN and not read

    @cached_property
    def weights(self) -> Sensitivity:
        """Where along the way the slope counts."""
        return sensitivity_of(self.read.putt, self.read.aim)

    @cached_property
    def counting(self) -> Counting:
        """Where the slope counts, beside where the turning is seen."""
        return counting_of(self.read, self.weights)

    @cached_property
    def doubts(self) -> Doubts:
        """What makes it uncertain, to first order."""
        return doubts_of(self.read, self.uncertainty, self.weights)

    @cached_property
    def range(self) -> AimRange | None:
        """Between which aim and launch speed lie (95 %); None where all is certain."""
        if self.certain:
            return None
        if self._by_sets:
            return range_of_sets(self._launches, self._sets().length_m)
        launch = self.read.aim.launch
        aim_right_m = self.read.aim_right_m
        return normal_range(launch.right_rad, launch.speed_mps, aim_right_m, self.doubts.variance)

    @cached_property
    def next_readings(self) -> tuple[NextReading, ...]:
        """What to find out next, the best first."""
        if self.range is None:
            return ()
        return next_readings(self.read, self.range, self.doubts, self.uncertainty)

    @cached_property
    def start_lines(self) -> StartLines | None:
        """Which start lines drop at the pace asked for; None where the read itself does not drop."""
        window = self.read.make_window
        if window is None:
            return None
        if self.certain:
            return start_lines_of(np.array([[window.right_rad.least, window.right_rad.most]]))
        if self._by_sets:
            sets = self._sets(FAN_SETS)
            return start_lines_of(sets.windows(self._launches[:FAN_SETS]))
        spread = float(np.sqrt(self.doubts.variance[ANGLE])) * normal_scores()[:FAN_SETS, :1]
        return start_lines_of(np.array([window.right_rad.least, window.right_rad.most]) + spread)

    @property
    def _by_sets(self) -> bool:
        """Whether the closed form solves every set: on a plane, by its most direct line."""
        lines = self.read.lines
        return by_closed_form(self.read.putt) and (not lines or self.read.aim is lines[0])

    @cached_property
    def _launches(self) -> NDArray[np.float64]:
        return self._sets().launches(self.read.putt.pace)

    def _sets(self, *count: int) -> PlaneSets:
        return sets_of(self.read.putt, self.uncertainty, *count)
