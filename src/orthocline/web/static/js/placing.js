// Pages whose drawing has handles: dragged or nudged, the server says what that means. No physics here.
// A map is also tapped and drawn on, and what is dropped there is kept.
import { around, drawn, part, parts, spotOn } from "./dom.js";

const form = document.forms.namedItem("placing");
const keep = document.forms.namedItem("keep");
const WAIT_MS = 140; // the server reads ten putts a second for one address
const REST_MS = 120; // a mouse that rests so long is looked under
const TAP_PX = 6; // a finger that moved less has tapped
let drag = null;
let asking = false;
const wishes = [];

// One wish at a time: a newer one takes the place of one that only shows, never of one that is to be kept.
function ask(values, kept = false) {
  if (wishes.length && !wishes.at(-1).kept) wishes.pop();
  wishes.push({ values, kept });
  if (!asking) next();
}

function next() {
  const wish = wishes.shift();
  asking = Boolean(wish);
  if (!wish) return;
  const source = wish.kept ? keep : form;
  const ready = new Promise((done) => setTimeout(done, WAIT_MS));
  // While a finger is on a map nothing above it may grow or shrink: the map alone is drawn again.
  const target = wish.values.held === "1" && part("#stage").dataset.press ? "#stage" : "#placed";
  const how = { source, target, select: target, swap: "morph", values: wish.values };
  const answered = htmx.ajax(wish.kept ? "POST" : "GET", source.action, how).catch(() => {});
  Promise.all([ready, answered]).then(next);
}

const values = () => Object.fromEntries([...new FormData(form)].map(([name, text]) => [name, String(text)]));

// Whether what is done to a handle is kept, or only shows.
const keeps = (pin) => Boolean(keep) && !(pin && "shows" in pin.dataset);

// Metres to the right of the hole, or of a map's origin, and beyond it.
function placeOf(event) {
  const sheet = drawn("#stage svg");
  const at = spotOn(event, sheet);
  const { scale, holeX, holeY } = sheet.dataset;
  return `${((at.x - +holeX) / +scale).toFixed(3)}:${((+holeY - at.y) / +scale).toFixed(3)}`;
}

document.addEventListener("pointerdown", (event) => {
  const pin = around(event, "[data-pin]");
  const press = around(event, "#stage")?.dataset.press;
  if (!pin && !press) return;
  if (pin || press === "draw") event.preventDefault();
  pin?.focus();
  const { scale, holeX, holeY } = drawn("#stage svg").dataset;
  const frame = `${scale},${holeX},${holeY},0`;
  drag = { name: pin?.dataset.pin, kept: keeps(pin), press, begun: placeOf(event), start: event, base: values(), frame, last: "", at: null };
  if (pin) document.body.classList.add("dragging");
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

// Water that was just poured is seen to run, by whoever does not mind motion.
const still = matchMedia("(prefers-reduced-motion: reduce)");
let ran = "";
function pour() {
  const water = document.querySelector("#stage [data-part=water]");
  const way = water?.getAttribute("d") ?? "";
  if (way === ran) return;
  ran = way;
  if (!(water instanceof SVGPathElement) || still.matches || drag) return;
  const length = water.getTotalLength();
  const begun = { strokeDasharray: `${length}`, strokeDashoffset: `${length}` };
  water.animate([begun, { ...begun, strokeDashoffset: "0" }], { duration: Math.min(5 * length, 2500), easing: "ease-in" });
}
document.body.addEventListener("htmx:afterSwap", pour);
pour();

const far = (event) => Math.hypot(event.clientX - drag.start.clientX, event.clientY - drag.start.clientY) > TAP_PX;
const moved = (held) => ({ ...drag.base, moved: `${drag.name}:${drag.last}`, begun: drag.begun, frame: drag.frame, held });

// What lies under a mouse that rests on a map, while nothing is dragged.
let resting = 0;
document.addEventListener("pointermove", (event) => {
  const under = part("#under");
  clearTimeout(resting);
  if (!under || drag || event.pointerType !== "mouse" || !around(event, "#stage")) return;
  const at = { moved: `at:${placeOf(event)}` };
  resting = setTimeout(() => htmx.ajax("GET", under.dataset.at, { target: "#under", swap: "innerHTML", values: at }), REST_MS);
});

document.addEventListener("pointermove", (event) => {
  if (!drag || (drag.press && !drag.last && !far(event))) return;
  if (!drag.name && drag.press !== "draw") return;
  drag.name ??= "new";
  drag.last = placeOf(event);
  const box = part("#stage").getBoundingClientRect();
  drag.at = [(100 * (event.clientX - box.left)) / box.width, (100 * (event.clientY - box.top)) / box.height];
  lay();
  ask(moved("1"));
});

// What was tapped: a handle is chosen, a place is looked at, or something is made there.
function tapped() {
  const { name, press, base, begun } = drag;
  if (!press) return;
  if (name && drag.kept) ask({ ...base, chosen: name.replace("head", "reading"), spot: "" });
  else ask({ ...base, moved: `tap:${begun}` }, part("#stage").dataset.tap === "keep");
}

function drop(event) {
  if (!drag) return;
  document.body.classList.remove("dragging");
  if (drag.last) ask(moved(""), drag.kept);
  else if (event.type === "pointerup" && !far(event)) tapped();
  drag = null;
}
document.addEventListener("pointerup", drop);
document.addEventListener("pointercancel", drop);

document.addEventListener("keydown", (event) => {
  const pin = around(event, "[data-pin]");
  const way = { ArrowUp: "0:1", ArrowRight: "1:0", ArrowDown: "0:-1", ArrowLeft: "-1:0" }[event.key];
  if (!pin || !way) return;
  event.preventDefault();
  ask({ ...values(), nudged: `${pin.dataset.pin}:${way}` }, keeps(pin));
});
