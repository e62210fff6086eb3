"""Labels of a drawing: whether any touches another or a line, or leaves its sheet."""

from itertools import pairwise

import numpy as np

from orthocline.drawing.lettering import LARGE, LARGE_ON_PHONE, ON_PHONE, USUAL, text_width
from orthocline.drawing.scene import Disc, Group, Line, Strokes, Words

SLACK = 4.0
"""A line of text is taller than its letters."""
GROUND = ("hachures", "grid", "water", "skyline")
"""What lies under everything: labels stand on it."""


def all_items(items):
    for item in items:
        yield item
        if isinstance(item, Group):
            yield from all_items(item.items)


def boxes_of(items, *, phone=False):
    """Return left, top, right and bottom of each label, with what it says; as it is larger on a phone."""
    usual, large = (ON_PHONE, LARGE_ON_PHONE) if phone else (USUAL, LARGE)
    for item in items:
        if isinstance(item, Words) and not item.hidden:
            size = large if item.large else usual
            width = text_width(item.text, size)
            left = item.at.x - {"start": 0.0, "middle": 0.5, "end": 1.0}[item.anchor] * width
            yield item.text, (left, item.at.y - 0.75 * size, left + width, item.at.y)


def points_of(items):
    """Return what is drawn as points, with the names of their things."""
    for item in items:
        if isinstance(item, Disc) and not item.hidden:
            turns = np.linspace(0.0, 2.0 * np.pi, 40)
            ring = np.column_stack([np.cos(turns), np.sin(turns)]) * item.radius + np.array(item.at)
            yield item.name, ring
        elif isinstance(item, (Line, Strokes)) and item.name not in GROUND:
            apart = isinstance(item, Strokes)
            pairs = list(pairwise(item.spots))[:: 2 if apart else 1]
            for start, end in pairs:
                count = max(int(np.hypot(*(end - start)) / 2.0), 2)
                yield item.name, np.linspace(start, end, count)


def inside(points, box):
    left, top, right, bottom = box
    return bool(
        np.any(
            (points[:, 0] > left)
            & (points[:, 0] < right)
            & (points[:, 1] > top + SLACK)
            & (points[:, 1] < bottom - SLACK)
        )
    )


def apart(one, other):
    return (
        one[2] <= other[0] + 1.0
        or other[2] <= one[0] + 1.0
        or one[3] <= other[1] + SLACK
        or other[3] <= one[1] + SLACK
    )


def touching(drawn, *, phone=False):
    """Return the pairs of labels that touch each other, and of labels and lines."""
    labels = dict(boxes_of(drawn, phone=phone))
    names, boxes = list(labels), list(labels.values())
    pairs = [
        (names[i], names[j]) for i in range(len(boxes)) for j in range(i) if not apart(boxes[i], boxes[j])
    ]
    return pairs + [
        (words, name)
        for name, points in points_of(drawn)
        for words, box in labels.items()
        if inside(points, box)
    ]


def leaving(drawn, width, height, *, phone=False):
    """Return the labels that do not lie on a sheet of that size."""
    return [
        words
        for words, (left, top, right, bottom) in boxes_of(drawn, phone=phone)
        if left < 0.0 or top < 0.0 or right > width or bottom > height
    ]


def clear(scene, *, phone=False):
    """Hold that no label touches anything or leaves its sheet; where it is larger on a phone, there too."""
    items = list(all_items(scene.items))
    for larger in {False, phone}:
        assert touching(items, phone=larger) == []
        assert leaving(items, scene.width, scene.height, phone=larger) == []
