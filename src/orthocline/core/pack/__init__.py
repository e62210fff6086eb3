"""What is taken along where there is no signal: reads solved beforehand, and how exact it is between them."""

from orthocline.core.pack.exactness import Exactness, exactness_of, near_enough
from orthocline.core.pack.pins import pin_table
from orthocline.core.pack.planes import plane_table
from orthocline.core.pack.table import Axis, Table

__all__ = [
    "Axis",
    "Exactness",
    "Table",
    "exactness_of",
    "near_enough",
    "pin_table",
    "plane_table",
]
