// Pages whose drawing has handles: dragged or nudged, the server says what that means. No physics here.
import { around, drawn, part, parts, spotOn } from "./dom.js";

const form = document.forms.namedItem("placing");
const WAIT_MS = 140; // the server reads ten putts a second for one address
let drag = null;
let asking = false;
let next = null;

// While one answer is under way only the newest wish is kept.
function ask(values) {
  next = values;
  if (asking) return;
  asking = true;
  const wish = next;
  next = null;
  const ready = new Promise((done) => setTimeout(done, WAIT_MS));
  const answered = htmx.ajax("GET", form.action, { source: form, target: "#placed", swap: "morph", values: wish }).catch(() => {});
  Promise.all([ready, answered]).then(() => {
    asking = false;
    if (next) ask(next);
  });
}

const values = () => Object.fromEntries([...new FormData(form)].map(([name, text]) => [name, String(text)]));

// Metres to the right of the hole and beyond it.
function placeOf(event) {
  const sheet = drawn("#stage svg");
  const at = spotOn(event, sheet);
  const { scale, holeX, holeY } = sheet.dataset;
  return `${((at.x - +holeX) / +scale).toFixed(3)}:${((+holeY - at.y) / +scale).toFixed(3)}`;
}

document.addEventListener("pointerdown", (event) => {
  const pin = around(event, "[data-pin]");
  if (!pin) return;
  event.preventDefault();
  pin.focus();
  const { scale, holeX, holeY } = drawn("#stage svg").dataset;
  drag = { name: pin.dataset.pin, base: values(), frame: `${scale},${holeX},${holeY},0`, last: "", at: null };
  document.body.classList.add("dragging");
});

// A handle lies where the server says, and one that is dragged under the pointer.
function lay() {
  for (const pin of parts("[data-pin]")) {
    const held = drag?.name === pin.dataset.pin && drag.at;
    const [left, top] = held || [pin.dataset.left, pin.dataset.top];
    pin.style.left = `${left}%`;
    pin.style.top = `${top}%`;
  }
}
document.body.addEventListener("htmx:afterSwap", lay);
lay();

document.addEventListener("pointermove", (event) => {
  if (!drag) return;
  drag.last = placeOf(event);
  const box = part("#stage").getBoundingClientRect();
  drag.at = [(100 * (event.clientX - box.left)) / box.width, (100 * (event.clientY - box.top)) / box.height];
  lay();
  ask({ ...drag.base, moved: `${drag.name}:${drag.last}`, held: "1", frame: drag.frame });
});

function drop() {
  if (!drag) return;
  const { name, base, last } = drag;
  drag = null;
  document.body.classList.remove("dragging");
  if (last) ask({ ...base, moved: `${name}:${last}`, held: "" });
}
document.addEventListener("pointerup", drop);
document.addEventListener("pointercancel", drop);

document.addEventListener("keydown", (event) => {
  const pin = around(event, "[data-pin]");
  const way = { ArrowUp: "0:1", ArrowRight: "1:0", ArrowDown: "0:-1", ArrowLeft: "-1:0" }[event.key];
  if (!pin || !way) return;
  event.preventDefault();
  ask({ ...values(), nudged: `${pin.dataset.pin}:${way}` });
});
