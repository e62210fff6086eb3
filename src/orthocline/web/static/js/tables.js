// Figures solved beforehand at the places of a table, and what lies between those: cubic curves (Catmull and Rom).
// No physics: what a ball does was worked out where the table was made.

/** @typedef {{least: number, most: number, count: number, round: boolean}} Axis */
/** @typedef {{axes: Axis[], steps: number[], values: (number | null)[][]}} Table */

/**
 * Which four places lie round a value, -1 for none, and where it lies between the middle two; null outside.
 * @param {Axis} axis
 * @param {number} value
 */
function found(axis, value) {
  const { least, most, count, round } = axis;
  const at = (value - least) / ((most - least) / (round ? count : count - 1));
  if (!round && !(at >= 0 && at <= count - 1)) return null;
  const first = round ? Math.floor(at) : Math.min(Math.floor(at), count - 2);
  const four = [-1, 0, 1, 2].map((one) => {
    const place = first + one;
    if (round) return ((place % count) + count) % count;
    return place >= 0 && place < count ? place : -1;
  });
  return { four, share: at - first };
}

/**
 * What lies between the middle two of four; an outer one that is missing goes on as they do.
 * @param {number[]} four
 * @param {number} share
 */
function between([outer, one, other, last], share) {
  const before = Number.isNaN(outer) ? 2 * one - other : outer;
  const after = Number.isNaN(last) ? 2 * other - one : last;
  const steep = 2 * before - 5 * one + 4 * other - after;
  const bent = 3 * (one - other) + after - before;
  return one + 0.5 * share * (other - before + share * (steep + share * bent));
}

/**
 * The figures of a table between its places; null outside, and where a place next to it has none.
 * @param {Table} table
 * @param {number[]} coordinates one for each axis
 * @returns {number[] | null}
 */
export function tableAt(table, coordinates) {
  const places = table.axes.map((axis, i) => found(axis, coordinates[i]));
  if (places.includes(null)) return null;
  const one = (values, indices) => {
    if (indices.includes(-1)) return NaN;
    return values[indices.reduce((row, index, i) => row * table.axes[i].count + index, 0)] ?? NaN;
  };
  // The first axis is gone along innermost.
  const along = (values, indices) => {
    const axis = table.axes.length - 1 - indices.length;
    if (axis < 0) return one(values, indices);
    const { four, share } = places[axis];
    return between(
      four.map((index) => along(values, [index, ...indices])),
      share,
    );
  };
  const figures = table.values.map((values, i) => along(values, []) * table.steps[i]);
  return figures.some(Number.isNaN) ? null : figures;
}
