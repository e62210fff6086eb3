"""Heights of many points, of which some are wrong, made into a grid as smooth as they tell."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray
from scipy import sparse
from scipy.interpolate import RectBivariateSpline
from scipy.ndimage import distance_transform_edt, median_filter
from scipy.sparse.linalg import splu

from orthocline.core.ground import LEAST_NODES, Grid
from orthocline.core.survey.scan import Scan

Figures = NDArray[np.float64]
Mask = NDArray[np.bool_]
Whole = NDArray[np.int64]
MAD_SD: Final = 1.4826
"""Standard deviations of a normal spread in its median absolute deviation."""
OUTLYING: Final = 4.0
"""A cell so many spreads off those round it is taken for a tuft, a foot or a mistake."""
MOST_BEND: Final = 0.25
"""Unless ground that bends so much [1/m] would lie as far off; no green bends more."""
WINDOWS: Final = (1, 2, 4)
"""So many cells to each side a cell is compared with."""
SEEN_CELLS: Final = 1.5
ROUNDS: Final = 2
"""A cell's median stands for its mean place only on even ground: what was found before is laid aside."""
FIRST_STIFFNESS, LEAST_STIFFNESS, MOST_STIFFNESS = 1.0, 2.0**-12, 2.0**12
STEP: Final = 4.0
BOTH: Final = math.sqrt(2.0)
"""What is left of the noise and what is smoothed away, together, in units of one of them."""
SEED: Final = 1
LEAST_HELD: Final = 1e-6
"""So much of any noise is held back at least."""


@dataclass(frozen=True, eq=False)
class _Cells:
    """Cells that have points.

    Attributes
    ----------
    rows, columns : ndarray
        Which, shape (n,).
    at : ndarray
        Where their points lie on the mean, in cells across and up, shape (n, 2).
    off_m : ndarray
        How far their median lies off the ground that is taken for it so far [m], shape (n,).
    """

    rows: Whole
    columns: Whole
    at: Figures
    off_m: Figures

    def but(self, wrong: Mask) -> "_Cells":
        """Return them without some."""
        return _Cells(self.rows[~wrong], self.columns[~wrong], self.at[~wrong], self.off_m[~wrong])


@dataclass(frozen=True, eq=False)
class _Sheet:
    """Heights of all nodes [m], how stiff the sheet was, how it scores, and what is not told of them."""

    heights: Figures
    stiffness: float
    score: float
    height_sd: float
    slope_sd: float


def gridded(points: Figures, spacing_m: float, reach_m: float = 0.0) -> Scan:
    """Return the ground of many points.

    Parameters
    ----------
    points : ndarray
        Places and heights [m], shape (n, 3).
    spacing_m : float
        Distance between nodes [m].
    reach_m : float
        Ground so near to a point is seen [m]; that within a cell and a half is.

    Returns
    -------
    Scan
        By the median of each cell but those that lie off all round them, smoothed as a bent sheet.

    Notes
    -----
    A thin plate through heights, as stiff as generalised cross-validation finds best (Wahba 1990, Spline
    Models for Observational Data, chapters 2 and 4), by second differences. What is smoothed away of the
    ground is about as much as what is left of the noise (Wahba 1983, J. R. Statist. Soc. B 45, 133). Medians
    withstand half of wrong points (Huber 1981, Robust Statistics, chapter 5).
    """
    origin = points[:, :2].min(axis=0)
    at = (points[:, :2] - origin) / spacing_m
    columns, rows = (max(int(one) + 1, LEAST_NODES) for one in np.ceil(at.max(axis=0)))
    base, stiffness = _plane(points, origin, spacing_m, (rows, columns)), FIRST_STIFFNESS
    bends = _bending(rows, columns)
    for _ in range(ROUNDS):
        cells = _cells(at, points[:, 2], base)
        wrong = _outlying(cells, base.shape, spacing_m)
        sheet = _smoothed(cells.but(wrong), base, bends, stiffness)
        base, stiffness = sheet.heights, sheet.stiffness
    grid = Grid((float(origin[0]), float(origin[1])), spacing_m, base)
    seen = _near(cells.but(wrong), base.shape, max(reach_m / spacing_m, SEEN_CELLS))
    return Scan(grid, seen, sheet.height_sd, sheet.slope_sd / spacing_m, int(wrong.sum()))


def _plane(points: Figures, origin: Figures, spacing: float, shape: tuple[int, int]) -> Figures:
    """Return the plane through points at the nodes [m], shape (rows, columns)."""
    middle = points.mean(axis=0)
    off = points - middle
    slope = np.linalg.lstsq(off[:, :2], off[:, 2], rcond=None)[0]
    rows, columns = shape
    nodes = origin + spacing * np.stack(np.meshgrid(np.arange(columns), np.arange(rows)), axis=-1)
    return np.asarray(middle[2] + (nodes - middle[:2]) @ slope)


def _cells(at: Figures, heights: Figures, base: Figures) -> _Cells:
    """Return the cells that have points, by how far those lie off a ground."""
    rows, columns = base.shape
    through = RectBivariateSpline(np.arange(rows), np.arange(columns), base, s=0)
    off = heights - through(at[:, 1], at[:, 0], grid=False)
    nearest = np.rint(at).astype(int)
    numbers = nearest[:, 1] * columns + nearest[:, 0]
    order = np.lexsort((off, numbers))
    filled, starts, counts = np.unique(numbers[order], return_index=True, return_counts=True)
    low, high = off[order][starts + (counts - 1) // 2], off[order][starts + counts // 2]
    means = np.add.reduceat(at[order], starts, axis=0) / counts[:, None]
    row, column = np.divmod(filled, columns)
    return _Cells(row, column, means, 0.5 * (low + high))


def _outlying(cells: _Cells, shape: tuple[int, ...], spacing: float) -> Mask:
    """Return which cells lie far off the median of those round them, near or wider."""
    off = np.full(shape, np.nan)
    off[cells.rows, cells.columns] = cells.off_m
    nearest = distance_transform_edt(np.isnan(off), return_distances=False, return_indices=True)
    whole = off[tuple(nearest)]
    wrong = np.zeros(len(cells.off_m), dtype=np.bool_)
    for window in WINDOWS:
        round_it = median_filter(whole, 2 * window + 1, mode="nearest")[cells.rows, cells.columns]
        strays = np.abs(cells.off_m - round_it)
        spread = MAD_SD * float(np.median(strays))
        wrong |= strays > OUTLYING * spread + MOST_BEND * (window * spacing) ** 2
    return wrong


def _near(cells: _Cells, shape: tuple[int, ...], reach: float) -> Mask:
    """Return which nodes lie within so many cells of one that has points."""
    empty = np.ones(shape, dtype=np.bool_)
    empty[cells.rows, cells.columns] = False
    return np.asarray(distance_transform_edt(empty) <= reach)


def _smoothed(cells: _Cells, base: Figures, bends: sparse.csr_array, stiffness: float) -> _Sheet:
    """Return the sheet near the cells' heights, as stiff as scores best."""
    between = _between(cells.at, base.shape)
    told = cells.off_m + between @ base.ravel()
    best = _sheet(cells, told, between, bends, stiffness, base.shape)
    for factor in (1.0 / STEP, STEP):
        while LEAST_STIFFNESS < best.stiffness < MOST_STIFFNESS:
            other = _sheet(cells, told, between, bends, best.stiffness * factor, base.shape)
            if other.score >= best.score:
                break
            best = other
    return best


def _between(at: Figures, shape: tuple[int, ...]) -> sparse.csr_array:
    """Return the weights of the four nodes round each place, shape (n, nodes)."""
    rows, columns = shape
    first = np.minimum(np.floor(at).astype(int), (columns - 2, rows - 2))
    u, v = (at - first).T
    weights = np.stack([(1 - u) * (1 - v), u * (1 - v), (1 - u) * v, u * v])
    corner = first[:, 1] * columns + first[:, 0]
    nodes = np.stack([corner, corner + 1, corner + columns, corner + columns + 1])
    places = np.tile(np.arange(len(at)), 4)
    return sparse.csr_array((weights.ravel(), (places, nodes.ravel())), shape=(len(at), rows * columns))


def _sheet(
    cells: _Cells,
    told: Figures,
    between: sparse.csr_array,
    bends: sparse.csr_array,
    stiffness: float,
    shape: tuple[int, ...],
) -> _Sheet:
    """Return a sheet of one stiffness through heights of cells.

    Noise of one, tried at all of them, tells how much of it the sheet lets pass (Girard 1989, Numerische
    Mathematik 56, 1).
    """
    noise = np.random.default_rng(SEED).choice((-1.0, 1.0), len(told))
    matrix = sparse.csc_array(between.T @ between + stiffness * bends)
    both = splu(matrix).solve(between.T @ np.stack([told, noise], axis=-1))
    lies, passes = (between @ both).T
    held = max(1.0 - float(noise @ passes) / len(told), LEAST_HELD)
    mean_square = float(np.mean((told - lies) ** 2))
    sd = BOTH * math.sqrt(mean_square / held)
    grid = both[:, 1].reshape(shape)
    up, across = (one[cells.rows, cells.columns] for one in np.gradient(grid))
    return _Sheet(
        both[:, 0].reshape(grid.shape),
        stiffness,
        mean_square / held**2,
        sd * math.sqrt(float(np.mean(passes**2))),
        sd * math.sqrt(0.5 * float(np.mean(up**2 + across**2))),
    )


def _bending(rows: int, columns: int) -> sparse.csr_array:
    """Return the squared second differences of a grid's heights, both ways and askew."""

    def second(count: int) -> sparse.dia_array:
        return sparse.diags_array([1.0, -2.0, 1.0], offsets=[0, 1, 2], shape=(count - 2, count))

    def first(count: int) -> sparse.dia_array:
        return sparse.diags_array([-1.0, 1.0], offsets=[0, 1], shape=(count - 1, count))

    along = sparse.kron(sparse.eye_array(rows), second(columns))
    up = sparse.kron(second(rows), sparse.eye_array(columns))
    askew = sparse.kron(first(rows), first(columns))
    return sparse.csr_array(along.T @ along + up.T @ up + 2.0 * askew.T @ askew)
