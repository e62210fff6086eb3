// A stopwatch for a figure that is timed: one tap at the strike, one at rest, into the next field that is empty.
import { fields, part } from "./dom.js";
import { twoTaps } from "./taps.js";

const button = part("#stopwatch");
const said = button?.querySelector("span");
let struck = null;

const emptyField = () => fields(`[data-trial=${button.dataset.times}]`).find((field) => !field.value);

function run() {
  if (struck === null) return;
  said.textContent = `At rest: ${((performance.now() - struck) / 1000).toFixed(1)} s`;
  requestAnimationFrame(run);
}

function begin(at) {
  if (!emptyField()) return false;
  struck = at;
  run();
  return true;
}

function end(seconds) {
  const field = emptyField();
  struck = null;
  said.textContent = said.dataset.words;
  if (!field) return; // the last one was typed in meanwhile
  field.value = `${seconds.toFixed(2)} s`;
  field.dispatchEvent(new Event("change", { bubbles: true }));
}

twoTaps(button, begin, end);
