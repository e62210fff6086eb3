"""How large a book may be: by figures that are written out."""

import pytest

from orthocline.core.cards import BookSize

INCH = 0.0254


@pytest.mark.parametrize(("scale", "allowed"), [(479.9, False), (480.0, True), (500.0, True), (240.0, False)])
def test_a_map_is_three_eighths_of_an_inch_to_five_yards_at_most(scale, allowed):
    assert BookSize(scale=scale).map_is_allowed is allowed
    assert BookSize().scale == pytest.approx(4.572 / 0.009525) == pytest.approx(480.0)


@pytest.mark.parametrize(
    ("wide", "tall", "allowed"),
    [
        (4.25, 7.0, True),
        (7.0, 4.25, True),
        (4.0, 5.0, True),
        (4.26, 7.0, False),
        (4.25, 7.01, False),
        (7.01, 4.25, False),
        (5.0, 5.0, False),
        (3.0, 8.0, False),
    ],
)
def test_a_page_is_four_and_a_quarter_by_seven_inches_at_most_whichever_way_up(wide, tall, allowed):
    assert BookSize(wide_m=wide * INCH, tall_m=tall * INCH).page_is_allowed is allowed
    assert (BookSize().wide_m, BookSize().tall_m) == pytest.approx((0.10795, 0.1778))
