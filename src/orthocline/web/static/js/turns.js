// Which putt of which hole comes next.
import { newKey } from "./queue.js";

export const MOST_HOLES = 18;
export const MOST_PUTTS = 9;

/** @typedef {{hole: number | null, number: number, visit: string}} Turn */

/** @param {boolean} ofRound @returns {Turn} */
export const firstTurn = (ofRound) => ({ hole: ofRound ? 1 : null, number: 1, visit: newKey() });

/**
 * The putt after one: the next hole's first after a ball that dropped, else the next on the same green.
 * @param {Turn} turn
 * @param {boolean} holed
 * @returns {Turn}
 */
export function following(turn, holed) {
  if (!holed && turn.number < MOST_PUTTS) return { ...turn, number: turn.number + 1 };
  const hole = turn.hole === null || turn.hole >= MOST_HOLES ? null : turn.hole + 1;
  return { hole, number: 1, visit: newKey() };
}
