// Something that is timed by two taps on one button, or by two presses of the space bar.
import { around } from "./dom.js";
import { singleKeys } from "./keys.js";

const BOUNCE_MS = 300; // two taps closer than this are one

/**
 * The clock of the tap itself counts, not of when the page comes to it.
 * @param {HTMLElement | null} button
 * @param {(at: number) => boolean} begin whether it begins, and with the time of the first tap
 * @param {(seconds: number) => void} end
 */
export function twoTaps(button, begin, end) {
  if (!button) return;
  let first = null;
  const tap = ({ timeStamp }) => {
    if (first === null) {
      if (begin(timeStamp)) first = timeStamp;
      return;
    }
    if (timeStamp - first < BOUNCE_MS) return;
    const seconds = (timeStamp - first) / 1000;
    first = null;
    end(seconds);
  };
  button.addEventListener("pointerdown", (event) => {
    event.preventDefault();
    button.focus();
    tap(event);
  });
  // A screen reader presses without a pointer.
  button.addEventListener("click", (event) => {
    if (event.detail === 0) tap(event);
  });
  document.addEventListener("keydown", (event) => {
    const elsewhere = around(event, `input, select, textarea, summary, a, button:not(#${button.id})`);
    const pressed = event.target === button && (event.key === " " || event.key === "Enter");
    if (elsewhere || event.repeat || !(pressed || (event.key === " " && singleKeys()))) return;
    event.preventDefault();
    tap(event);
  });
}
