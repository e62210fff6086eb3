// The walk: steps counted by tap, and the clock from one's turn. No physics here.
import { around, part } from "./dom.js";

const form = document.forms.namedItem("walk-form");
const clock = part("#clock");
const QUIET_MS = 700;
let steps = 0;
let counting = 0;

// Taps are counted here and sent once they pause, so that none is lost on the way.
document.addEventListener("click", (event) => {
  const button = around(event, "#count");
  if (!button) return;
  steps += 1;
  button.textContent = `${steps} ${steps === 1 ? "step" : "steps"}`;
  clearTimeout(counting);
  counting = setTimeout(() => send(button.dataset.note), QUIET_MS);
});

function send(ask) {
  const note = `${ask}:${steps}`;
  htmx.ajax("GET", form.action, { source: form, target: "#look", swap: "morph", values: { note } });
}

// A form that is sent by a tap keeps no step that was tapped before another field changed.
document.addEventListener("change", (event) => {
  if (around(event, "#length")) steps = 0;
});

let ends = 0;
let ticking = 0;
clock.addEventListener("click", () => {
  clearInterval(ticking);
  if (ends) {
    ends = 0;
    clock.textContent = "My turn";
    return;
  }
  ends = performance.now() + 1000 * +clock.dataset.seconds;
  tick();
  ticking = window.setInterval(tick, 250);
});

function tick() {
  const left = Math.ceil((ends - performance.now()) / 1000);
  clock.textContent = left > 0 ? `${left} s left` : "Time is up";
  if (left <= 0) clearInterval(ticking);
}
