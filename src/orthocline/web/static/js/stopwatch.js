// A stopwatch for a figure that is timed: one tap at the strike, one at rest, into the next field that is empty.
import { around, fields, part } from "./dom.js";
import { singleKeys } from "./keys.js";

const BOUNCE_MS = 300; // two taps closer than this are one
const button = part("#stopwatch");
const said = button?.querySelector("span");
let struck = null;

const emptyField = () => fields(`[data-trial=${button.dataset.times}]`).find((field) => !field.value);

function run() {
  if (struck === null) return;
  said.textContent = `At rest: ${((performance.now() - struck) / 1000).toFixed(1)} s`;
  requestAnimationFrame(run);
}

// The clock of the tap itself counts, not of when the page comes to it.
function tap({ timeStamp }) {
  if (struck === null) {
    if (!emptyField()) return;
    struck = timeStamp;
    run();
    return;
  }
  if (timeStamp - struck < BOUNCE_MS) return;
  const field = emptyField();
  const seconds = (timeStamp - struck) / 1000;
  struck = null;
  said.textContent = said.dataset.words;
  if (!field) return; // the last one was typed in meanwhile
  field.value = `${seconds.toFixed(2)} s`;
  field.dispatchEvent(new Event("change", { bubbles: true }));
}

button?.addEventListener("pointerdown", (event) => {
  event.preventDefault();
  button.focus();
  tap(event);
});
// A screen reader presses without a pointer.
button?.addEventListener("click", (event) => {
  if (event.detail === 0) tap(event);
});
document.addEventListener("keydown", (event) => {
  const elsewhere = around(event, "input, select, textarea, summary, a, button:not(#stopwatch)");
  const pressed = event.target === button && (event.key === " " || event.key === "Enter");
  if (!button || elsewhere || event.repeat || !(pressed || (event.key === " " && singleKeys()))) return;
  event.preventDefault();
  tap(event);
});
