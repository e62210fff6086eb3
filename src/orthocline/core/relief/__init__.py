"""What the ground of a green makes: outline, contours, water, and the places that have a name."""

from orthocline.core.relief.lattice import Relief
from orthocline.core.relief.levels import Contour, Region, contours, regions_above, steeper_than
from orthocline.core.relief.named import Feature, Kind, features
from orthocline.core.relief.outline import FEWEST_CORNERS, Outline, Walked, oval, walked
from orthocline.core.relief.water import Water, climbed, pour

__all__ = [
    "FEWEST_CORNERS",
    "Contour",
    "Feature",
    "Kind",
    "Outline",
    "Region",
    "Relief",
    "Walked",
    "Water",
    "climbed",
    "contours",
    "features",
    "oval",
    "pour",
    "regions_above",
    "steeper_than",
    "walked",
]
