"""Where one more reading would make the ground most sure."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from orthocline.core.survey.field import both_slopes
from orthocline.core.survey.fitting import Fit

Figures = NDArray[np.float64]


@dataclass(frozen=True)
class NextPlace:
    """Where to read next.

    Attributes
    ----------
    place : int
        Which of the places that were asked about.
    before, after : float
        How sure the slope [ratio] is, on the root of the mean square over what counts, without and with it.
    """

    place: int
    before: float
    after: float


def next_place(fit: Fit, places: Figures, counts: Figures, sd: float) -> NextPlace:
    """Return where a reading of both slopes would make the ground surest.

    Parameters
    ----------
    fit : Fit
        What was read.
    places : ndarray
        Where it could be read [m], shape (n, 2).
    counts : ndarray
        How much each of them counts, shape (n,).
    sd : float
        How sure such a reading is, each way [ratio].

    Returns
    -------
    NextPlace
        The place after which the variance of the slopes, summed as they count, is least.
    """
    unsure = fit.covariance(both_slopes(places))
    weights = np.tile(counts, 2) / (2.0 * counts.sum())
    count = len(places)
    halves = unsure[:, :count], unsure[:, count:]
    own = np.array([[np.diagonal(one[at : at + count]) for one in halves] for at in (0, count)])
    noisy = np.moveaxis(own, -1, 0) + sd**2 * np.eye(2)
    shared = np.array([[weights @ (one * other) for other in halves] for one in halves])
    gains = np.einsum("kab,abk->k", np.linalg.inv(noisy), shared)
    best = int(np.argmax(gains))
    before = float(weights @ unsure.diagonal())
    return NextPlace(best, before**0.5, max(before - float(gains[best]), 0.0) ** 0.5)
