// Whether anything waits on the phone: every page looks here, and none opens the store for nothing.
const WAITING = "waiting";

/** @param {number} count */
export function tellWaiting(count) {
  if (count) localStorage.setItem(WAITING, String(count));
  else localStorage.removeItem(WAITING);
}

export const anyWaiting = () => localStorage.getItem(WAITING) !== null;
