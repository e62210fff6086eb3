// Which putt of which hole comes next.
import { newKey } from "./queue.js";

/** @typedef {{hole: number | null, number: number, visit: string}} Turn */

/** @param {boolean} ofRound @returns {Turn} */
export const firstTurn = (ofRound) => ({ hole: ofRound ? 1 : null, number: 1, visit: newKey() });

/**
 * The putt after one: the next hole's first after a ball that dropped, else the next on the same green.
 * @param {Turn} turn
 * @param {boolean} holed
 * @param {{holes: number, putts: number}} most
 * @returns {Turn}
 */
export function following(turn, holed, most) {
  if (!holed && turn.number < most.putts) return { ...turn, number: turn.number + 1 };
  const hole = turn.hole === null || turn.hole >= most.holes ? null : turn.hole + 1;
  return { hole, number: 1, visit: newKey() };
}
