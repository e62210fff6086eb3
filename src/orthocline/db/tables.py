"""All tables, for migrations."""

from orthocline.db.account.models import Golfer, OwnMeasures, StrideTrial, StrokeTrial
from orthocline.db.base import Base
from orthocline.db.carry.models import Arrival, Print
from orthocline.db.ground.models import Course, Green, GreenChart, GreenScan
from orthocline.db.jobs.models import FilePiece, GivenFile, Job, JobPiece
from orthocline.db.log.habits import GolferHabits, ReadCorrection
from orthocline.db.log.models import LoggedPutt, Outing
from orthocline.db.request_counts import RequestCount
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
TABLES = (
    Golfer,
    OwnMeasures,
    StrideTrial,
    StrokeTrial,
    Course,
    Green,
    GreenScan,
    GreenChart,
    Outing,
    LoggedPutt,
    GolferHabits,
    ReadCorrection,
    SpeedNote,
    TrainingSession,
    TrainedQuestion,
    TrainingLevel,
    TrainingMemory,
    DrillRun,
    PracticePlan,
    GivenFile,
    FilePiece,
    Job,
    JobPiece,
    Print,
    Arrival,
    RequestCount,
)
