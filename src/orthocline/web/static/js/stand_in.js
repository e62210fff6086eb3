// The stroke on the ruler: drawn back from the ball and let go. How long it was and how far off the beat goes to the
// server, which strikes the ball.
import { field, part } from "./dom.js";

const RULER_IN = 36;
/** @type {HTMLFormElement | null} */
const form = document.querySelector("#strike");
const ruler = part("#ruler");
const head = part("#head");
const pulse = part("#pulse");
const beat = Number(form?.dataset.beat);
const origin = performance.now();
let from = null; // where it was taken up, as a share of the ruler

const seconds = () => (performance.now() - origin) / 1000;
const share = (event) => {
  const box = ruler.getBoundingClientRect();
  return Math.min(Math.max((event.clientX - box.left) / box.width, 0), 1);
};

function show() {
  const since = seconds() % beat;
  pulse.classList.toggle("ruler-on", since < 0.12);
  requestAnimationFrame(show);
}

ruler?.addEventListener("pointerdown", (event) => {
  event.preventDefault();
  ruler.setPointerCapture(event.pointerId);
  from = share(event);
});
ruler?.addEventListener("pointermove", (event) => {
  if (from !== null) head.style.left = `${100 * share(event)}%`;
});
ruler?.addEventListener("pointerup", (event) => {
  if (from === null) return;
  const length = RULER_IN * Math.abs(share(event) - from);
  from = null;
  const off = seconds() % beat;
  const late = off > beat / 2 ? off - beat : off;
  if (length < 1) return;
  field("#stroke").value = `${length.toFixed(1)} in`;
  field("#late").value = `${Math.abs(late).toFixed(2)} s ${late < 0 ? "early" : "late"}`;
  form.requestSubmit();
});
ruler?.addEventListener("pointercancel", () => {
  from = null;
});
if (ruler) requestAnimationFrame(show);
