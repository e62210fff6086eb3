"""All tables: which hold what is a golfer's own, and the others."""

from typing import Final

from orthocline.db.account.models import Golfer, OwnMeasures, SlopePair, StrideTrial, StrokeTrial
from orthocline.db.base import Base
from orthocline.db.carry.models import Arrival, Print
from orthocline.db.ground.models import Course, Green, GreenChart, GreenScan, GreenStudy
from orthocline.db.jobs.models import FilePiece, GivenFile, Job, JobPiece
from orthocline.db.log.habits import GolferHabits, ReadCorrection
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.request_counts import RequestCount
from orthocline.db.share.models import ApiToken, CoachNote, CoachSession, Invitation, Sharing
from orthocline.db.speed.models import SpeedNote
from orthocline.db.train.models import (
    DrillRun,
    PracticePlan,
    TrainedQuestion,
    TrainingLevel,
    TrainingMemory,
    TrainingSession,
)

METADATA = Base.metadata
OWN: Final[tuple[type[Base], ...]] = (
    *(OwnMeasures, StrideTrial, StrokeTrial, SlopePair),
    *(Course, Green, GreenScan, GreenChart, GreenStudy),
    *(Outing, LoggedPutt, ReadCorrection, SpeedNote),
    *(TrainingSession, TrainedQuestion, TrainingLevel, TrainingMemory, DrillRun, PracticePlan),
    *(CoachNote, CoachSession),
    *(Print, Arrival),
)
"""What is a golfer's own, each after what it refers to: it goes into an archive and a copy of the demo."""
OTHERS: Final[tuple[type[Base], ...]] = (
    *(Golfer, Sharing, Invitation, ApiToken),
    GolferHabits,
    *(GivenFile, FilePiece, Job, JobPiece, RequestCount),
)
"""Who they are and what they share, what follows from a log again, what waits to be done."""
