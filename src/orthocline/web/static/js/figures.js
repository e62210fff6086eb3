// Figures as golfers say them, in their units.
const INCH_M = 0.0254;
const QUARTERS = ["", "¼", "½", "¾"];
const DAY_MS = 86400000;

export const nearUnit = (units) => (units.metric ? { name: "cm", m: 0.01 } : { name: "in", m: INCH_M });
export const farUnit = (units) => (units.metric ? { name: "m", m: 1 } : { name: "ft", m: 12 * INCH_M });
export const slopeUnit = (units) => (units.degrees ? "°" : "%");

/** The number that is typed, with a point or a comma; not a number for what is none. */
export const numberOf = (words) => Number(words.trim().replace(",", "."));

/** A slope as a ratio, from a figure in the golfer's unit. */
export const slopeOf = (figure, units) => (units.degrees ? Math.tan((figure * Math.PI) / 180) : figure / 100);

export const tidy = (figure, decimals = 1) => String(Number(figure.toFixed(decimals))).replace("-", "−");

function quarters(figure) {
  const count = Math.round(4 * Math.abs(figure));
  const [whole, part] = [Math.floor(count / 4), count % 4];
  return `${whole || !part ? whole : ""}${QUARTERS[part]}`;
}

/** A length beside the line: to half an inch or a centimetre, which is what a table bears. */
export function near(lengthM, units) {
  const size = Math.abs(lengthM);
  if (units.metric) return size < 0.995 ? `${Math.round(100 * size)} cm` : `${tidy(size, 2)} m`;
  const inches = Math.round((2 * size) / INCH_M) / 2;
  return inches < 36 ? `${quarters(inches)} in` : `${quarters(inches / 12)} ft`;
}

/** A length along the putt. */
export const far = (lengthM, units) => `${tidy(lengthM / farUnit(units).m)} ${farUnit(units).name}`;

export const side = (rightM) => (rightM > 0 ? "right" : "left");

const startOfDay = (time) => new Date(time).setHours(0, 0, 0, 0);

/** How many days ago a time was, by the phone's own days. */
export const daysAgo = (time, now) => Math.round((startOfDay(now) - startOfDay(time)) / DAY_MS);

export const clock = (time) => new Date(time).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

/** A time as ``today 07:40``, ``yesterday 18:05``, ``26 Nov 18:05``. */
export function moment(time, now) {
  const days = daysAgo(time, now);
  const date = new Date(time).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
  return `${["today", "yesterday"][days] ?? date} ${clock(time)}`;
}

/** How long ago: ``just now``, ``25 min ago``, ``3 h ago``, ``2 days ago``. */
export function ago(time, now) {
  const minutes = Math.floor((now - new Date(time).getTime()) / 60000);
  if (minutes < 1) return "just now";
  if (minutes < 60) return `${minutes} min ago`;
  if (minutes < 2880) return `${Math.floor(minutes / 60)} h ago`;
  return `${Math.floor(minutes / 1440)} days ago`;
}
