// What is typed on the page for the course. Each field says between what its figure lies, in metres where it is a length.
import { field, part } from "./dom.js";
import { numberOf } from "./figures.js";

function limitWords(least, most) {
  return least ? `From ${least} to ${most}.` : `A figure up to ${Math.floor(most)}, such as 12 or 4.5.`;
}

function fits(figure, { least, most, whole }) {
  if (figure === null) return true;
  return figure >= least && figure <= most && (!whole || Number.isInteger(figure));
}

/**
 * A figure of the form; `usual` where none is typed. One that it cannot be is told beside the field, and raised.
 * @param {string} id
 * @param {{per?: number, whole?: boolean, usual?: number | null}} how a length is typed in units of so many metres
 * @returns {number | null}
 */
export function typed(id, { per = 1, whole = false, usual = null } = {}) {
  const { value, dataset } = field(id);
  const [least, most] = [dataset.least, dataset.most].map((limit) => Number(limit) / per);
  const figure = value.trim() ? numberOf(value) : usual;
  const right = fits(figure, { least, most, whole });
  part(`${id}-message`).textContent = right ? "" : limitWords(least, most);
  if (!right) throw new RangeError(id);
  return figure === null ? null : figure * per;
}

/**
 * Where the ball stopped [m], beyond the hole and to its right; null where nothing is typed.
 * @param {number} per metres of the unit that it is typed in
 * @returns {[number, number] | null}
 */
export function finish(per) {
  const [along, across] = ["#along", "#across"].map((id) => typed(id, { per }));
  if (along === null && across === null) return null;
  const past = field("[name=along_way]:checked").value === "past";
  const right = field("[name=across_way]:checked").value === "right";
  return [(past ? 1 : -1) * (along ?? 0), (right ? 1 : -1) * (across ?? 0)];
}

/** Which hole it is, and which putt of it. */
export const turnTyped = () => ({
  hole: typed("#hole", { whole: true }),
  number: typed("#number", { whole: true, usual: 1 }),
});

const most = (id) => Number(field(id).dataset.most);

/** How many holes a round has, and a green putts, at the most. */
export const mostOf = () => ({ holes: most("#hole"), putts: most("#number") });

/** @param {string[]} ids */
export function emptied(...ids) {
  for (const id of ids) field(id).value = "";
}
