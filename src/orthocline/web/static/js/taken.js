// Reads out of what was taken along.
import { tableAt } from "./tables.js";

/**
 * @typedef {object} Read
 * @property {number} lengthM
 * @property {number} aimRightM from the hole's centre
 * @property {number} playsM how far it plays on the level
 * @property {boolean} met whether a ball has the pace that was asked for
 */

/**
 * The read of a putt to a pin; null where there is none.
 * @param {{at_m: number[], table: import("./tables.js").Table}} pin
 * @param {number[]} ball [m]
 * @returns {Read | null}
 */
export function pinRead(pin, ball) {
  const [x, y] = [ball[0] - pin.at_m[0], ball[1] - pin.at_m[1]];
  const lengthM = Math.hypot(x, y);
  const figures = tableAt(pin.table, [Math.sqrt(lengthM), Math.atan2(y, x)]);
  if (!figures) return null;
  const [right, playsM, met] = figures;
  return { lengthM, aimRightM: lengthM * Math.tan(right), playsM, met: met > 0.5 };
}

/**
 * The read of a putt on a plane; null where there is none.
 * @param {import("./tables.js").Table} planes
 * @param {number} lengthM
 * @param {number} side falls to the right
 * @param {number} rise
 * @returns {Read | null}
 */
export function planeRead(planes, lengthM, side, rise) {
  const figures = tableAt(planes, [Math.sqrt(lengthM), Math.abs(side), rise]);
  if (!figures) return null;
  const right = side < 0 ? -figures[0] : figures[0];
  return { lengthM, aimRightM: lengthM * Math.tan(right), playsM: figures[1], met: true };
}

/**
 * Where a putt is aimed [m].
 * @param {number[]} ball
 * @param {number[]} hole
 * @param {number} rightM
 */
export function aimSpot(ball, hole, rightM) {
  const [x, y] = [hole[0] - ball[0], hole[1] - ball[1]];
  const share = rightM / (Math.hypot(x, y) || 1);
  return [hole[0] + y * share, hole[1] - x * share];
}
