// The Read page: drag, step and roll. No physics here: every figure comes from the server.
import "./calls.js";
import { around, drawn, part, parts, spotOn } from "./dom.js";
import { eyesRoll } from "./eyes.js";
import { free } from "./keys.js";
import { roll } from "./roll.js";

const form = document.forms.namedItem("putt");
const stage = part("#stage");
/** @type {HTMLButtonElement} */
const roller = document.querySelector("#roll");
const handles = new Map(parts("[data-handle]").map((one) => [one.dataset.handle, one]));
// The server reads sixty putts in six seconds for one address: a drag asks for 57 in its first six, and fewer after.
const BURST = 15;
const PER_SECOND = 7;
// What is swapped beside the putt, and changes no field of it.
const BESIDE = ["trouble", "eyes", "firm", "curves", "golfers", "make-window"];
let turns = BURST;
let counted = performance.now();
let drag = null; // the handle held, with the putt as it was when it was taken up
let asking = false;
let next = null;
let stepping = null; // the field whose stepped figure the next answer writes
let wish = {}; // what was asked for last
let refused = {}; // the same where no answer came: it is asked for again

const drawing = () => part("#drawing");
const plan = () => drawn("#plan");
// The fields of the address to all their digits, and those of them that are shown with fewer.
const values = () => JSON.parse(drawing().dataset.values);
const rounded = () => JSON.parse(drawing().dataset.rounded || "{}");
const shown = () => ({ ...values(), ...rounded() });

// Ask the server for the putt with some figures changed. While one answer is under way only the newest
// wish is kept, so that a drag is never behind by more than one drawing.
function ask(changes) {
  next = changes;
  if (asking) return;
  asking = true;
  setTimeout(send, pause());
}

// How long [ms] to wait for one's turn.
function pause() {
  const now = performance.now();
  turns = Math.min(BURST, turns + (PER_SECOND * (now - counted)) / 1000) - 1;
  counted = now;
  return turns >= 0 ? 0 : (-1000 * turns) / PER_SECOND;
}

function send() {
  wish = next;
  next = null;
  refused = {};
  htmx
    .ajax("GET", form.action, { source: form, target: "#drawing", swap: "outerHTML", values: wish })
    .catch(() => {})
    .finally(() => {
      asking = false;
      if (next) ask(next);
    });
}

form.addEventListener("htmx:configRequest", ({ detail }) => {
  for (const [name, value] of Object.entries(refused)) detail.parameters[name] = value;
  // A figure that is as it was shown is asked for as it is.
  const exact = values();
  for (const [name, text] of Object.entries(rounded())) {
    if (detail.parameters[name] === text) detail.parameters[name] = exact[name] ?? text;
  }
});
form.addEventListener("htmx:afterRequest", ({ detail }) => {
  refused = detail.xhr.getResponseHeader("Retry-After") ? wish : {};
  wish = {};
});
document.addEventListener("input", () => {
  refused = {};
});

function sync() {
  const said = shown();
  for (const one of form.elements) {
    if (one === document.activeElement) continue;
    if (one instanceof HTMLSelectElement) choose(one, said[one.name]);
    else if (one instanceof HTMLInputElement && one.name) write(one, said[one.name]);
  }
  placeHandles(JSON.parse(drawing().dataset.handles));
}

function write(field, said) {
  if (said === undefined || field.type === "checkbox") return;
  if (field.type === "radio") field.checked = said === field.value;
  else field.value = said;
}

// A way that has no name is one more choice.
function choose(field, wanted) {
  if (wanted === undefined) return;
  if (![...field.options].some((one) => one.value === wanted)) field.add(new Option(`${wanted}°`, wanted));
  field.value = wanted;
}

// Each reading has a handle at its place, and one at its arrow's tip where it has but a way.
function makeHandles(wanted) {
  for (const name of Object.keys(wanted)) {
    if (handles.has(name)) continue;
    /** @type {HTMLTemplateElement} */
    const blank = document.querySelector("#reading-handle");
    const copy = document.importNode(blank.content, true);
    const handle = /** @type {HTMLElement} */ (copy.firstElementChild);
    handle.dataset.handle = name;
    const [kind, number] = name.split("-");
    handle.setAttribute("aria-label", `Reading ${+number + 1}: ${kind === "tip" ? "which way it falls" : "along the putt"}`);
    if (kind === "tip") handle.setAttribute("aria-valuemax", "360");
    part("#handles").append(handle);
    listen(name, handle);
  }
}

function placeHandles(wanted) {
  makeHandles(wanted);
  for (const [name, handle] of handles) {
    handle.hidden = !wanted[name];
    if (handle.hidden) continue;
    const [says, now, left, top] = wanted[name];
    handle.setAttribute("aria-valuenow", now);
    handle.setAttribute("aria-valuetext", says);
    if (drag?.name === name) continue;
    handle.style.left = `${left}%`;
    handle.style.top = `${top}%`;
  }
}

function listen(name, handle) {
  handles.set(name, handle);
  handle.addEventListener("pointerdown", (event) => take(event, name, handle));
  handle.addEventListener("keydown", (event) => step(event, name));
}
for (const [name, handle] of handles) listen(name, handle);

function take(event, name, button) {
  event.preventDefault();
  button.focus();
  button.setPointerCapture(event.pointerId);
  const data = plan().dataset;
  drag = { name, base: values(), scale: +data.scale, x: +data.holeX, y: +data.holeY, dialX: +data.dialX, dialY: +data.dialY, last: null };
  document.body.classList.add("dragging");
  const move = (moved) => {
    drag.last = changed(moved);
    follow(moved, button);
    ask({ ...drag.last, frame: `${drag.scale},${drag.x},${drag.y},${drag.turn || 0}` });
  };
  const drop = () => {
    button.removeEventListener("pointermove", move);
    button.removeEventListener("pointerup", drop);
    button.removeEventListener("pointercancel", drop);
    const last = drag.last;
    drag = null;
    document.body.classList.remove("dragging");
    if (last) ask(last);
  };
  button.addEventListener("pointermove", move);
  button.addEventListener("pointerup", drop);
  button.addEventListener("pointercancel", drop);
}

function follow(event, button) {
  const box = stage.getBoundingClientRect();
  button.style.left = `${(100 * (event.clientX - box.left)) / box.width}%`;
  button.style.top = `${(100 * (event.clientY - box.top)) / box.height}%`;
}

// What a pointer's place means for the handle held: metres from the hole, degrees round it or on the dial.
function changed(event) {
  const at = spotOn(event, plan());
  const dx = at.x - drag.x;
  const dy = at.y - drag.y;
  const metres = (Math.hypot(dx, dy) / drag.scale).toFixed(4);
  if (drag.name === "ball") {
    drag.turn = (Math.atan2(-dx, dy) * 180) / Math.PI;
    return { ...drag.base, to_length: metres, around: drag.turn.toFixed(2) };
  }
  const [kind, number] = drag.name.split("-");
  if (kind === "spot") return { ...drag.base, ground: `move:${number}:${shareAt(at).toFixed(3)}` };
  if (kind === "tip") return { ...drag.base, ground: `turn:${number}:${wayFrom(number, at).toFixed(1)}` };
  if (drag.name === "aim") return { ...drag.base, to_aim: (dx / drag.scale).toFixed(4) };
  if (drag.name === "past") return { ...drag.base, to_past: metres };
  const fall = (Math.atan2(at.x - drag.dialX, drag.dialY - at.y) * 180) / Math.PI;
  return { ...drag.base, fall: fall.toFixed(1) };
}

// How far along from ball to hole a place of the sheet lies, and which way it lies from a reading's own.
function shareAt(at) {
  const data = plan().dataset;
  const [ballX, ballY] = [+data.ballX, +data.ballY];
  const [dx, dy] = [+data.holeX - ballX, +data.holeY - ballY];
  return ((at.x - ballX) * dx + (at.y - ballY) * dy) / (dx * dx + dy * dy);
}

function wayFrom(number, at) {
  const { width, height } = plan().viewBox.baseVal;
  const [, , left, top] = JSON.parse(drawing().dataset.handles)[`spot-${number}`];
  return (Math.atan2(at.x - (left * width) / 100, (top * height) / 100 - at.y) * 180) / Math.PI;
}

// The keys of a reading's handle: along the putt and steeper or flatter, round for its way, and away with it.
function stepReading(event, kind, number) {
  const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
  const away = event.key === "Delete" || event.key === "Backspace";
  if (!way && !away) return;
  event.preventDefault();
  const across = event.key === "ArrowLeft" || event.key === "ArrowRight";
  if (away) ask({ ...values(), ground: `drop:${number}` });
  else if (kind === "tip") ask({ ...values(), ground: `turn:${number}:${+event.target.getAttribute("aria-valuenow") + 5 * way}` });
  else ask({ ...values(), step: `spot-${number}-${across ? "size" : "at"}:${way}` });
}

// Arrow keys: the figure one step, or the ball round the hole and the fall round its dial.
function step(event, name) {
  const [kind, number] = name.split("-");
  if (number) {
    stepReading(event, kind, number);
    return;
  }
  const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
  if (!way) return;
  event.preventDefault();
  const across = event.key === "ArrowLeft" || event.key === "ArrowRight";
  if (name === "fall") {
    const now = +handles.get("fall").getAttribute("aria-valuenow");
    ask({ ...values(), fall: String(now + 5 * way) });
  } else if (name === "ball" && across) {
    ask({ ...values(), around: String(-3 * way) });
  } else {
    ask({ ...values(), step: `${{ ball: "length", aim: "impression" }[name] ?? name}:${way}` });
  }
}

// Another school's words: another example of what is typed.
const ownBy = /** @type {HTMLSelectElement} */ (part("#own_by"));
ownBy.addEventListener("change", () => {
  const own = /** @type {HTMLInputElement} */ (part("#own"));
  own.value = "";
  own.placeholder = JSON.parse(ownBy.dataset.examples)[ownBy.value];
  own.focus();
});

// Arrow keys in a figure: one step more or less.
document.addEventListener("keydown", (event) => {
  const field = around(event, "input[data-step]");
  const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  if (!(field instanceof HTMLInputElement) || !way) return;
  event.preventDefault();
  stepping = field;
  ask({ step: `${field.name}:${way}` });
});

// The single keys, where nothing is typed or pressed.
document.addEventListener("keydown", (event) => {
  if (!free(event)) return;
  if (event.key === " ") {
    event.preventDefault();
    roller.click();
  }
  if (event.key === "s") part("#save button").click();
  if (/^[1-9]$/.test(event.key)) parts("#more .calls button")[+event.key - 1]?.click();
});

// A tap on a call lights its layer in the drawing.
document.addEventListener("click", (event) => {
  const call = around(event, ".calls [name=light]");
  if (!(call instanceof HTMLButtonElement)) return;
  event.preventDefault();
  ask({ ...values(), light: call.value });
});

// A tap on the make window rolls the putt that starts so: how far off the line, how much firmer or softer.
part("#make-window").addEventListener("click", (event) => {
  const field = around(event, "svg");
  if (!(field instanceof SVGSVGElement)) return;
  const at = spotOn(event, field);
  const { left, right, top, foot, leastDeg, mostDeg, leastPercent, mostPercent } = field.dataset;
  const deg = between((at.x - +left) / (+right - +left), +leastDeg, +mostDeg);
  const percent = between((+foot - at.y) / (+foot - +top), +leastPercent, +mostPercent);
  ask({
    ...values(),
    off_line: `${Math.abs(deg).toFixed(1)} deg ${deg < 0 ? "left" : "right"}`,
    off_pace: `${Math.abs(percent).toFixed(1)} % ${percent < 0 ? "soft" : "firm"}`,
  });
});

const between = (share, least, most) => least + Math.min(Math.max(share, 0), 1) * (most - least);

document.body.addEventListener("htmx:afterSwap", ({ detail }) => {
  if (BESIDE.includes(detail.target.id)) return;
  sync();
  if (stepping) {
    stepping.value = shown()[stepping.name] ?? stepping.value;
    stepping = null;
  }
});

// The call has its new state once it has settled.
document.body.addEventListener("htmx:afterSettle", ({ target }) => {
  const call = target instanceof Element && target.id === "call" ? target : null;
  if (call) roller.disabled = call.matches(".is-stale, .is-hidden");
});
const planRoll = () => ({ address: `/read/roll?${new URLSearchParams(values())}`, ball: "#plan [data-part=rolling]" });
roller.addEventListener("click", () => roll([planRoll(), ...(part("#eyes-fold[open] #seen") ? [eyesRoll()] : [])]));

// What is done in the drawing through the eyes: the putt changes here, and that drawing follows.
document.addEventListener("aimed", (event) => {
  if (!(event instanceof CustomEvent)) return;
  event.preventDefault();
  const { change, more } = event.detail;
  const { scale, holeX, holeY } = plan().dataset;
  ask({ ...values(), ...change, ...(more ? { frame: `${scale},${holeX},${holeY},0` } : {}) });
});
document.addEventListener("lit", (event) => {
  if (!(event instanceof CustomEvent)) return;
  event.preventDefault();
  ask({ ...values(), light: event.detail.light });
});
sync();
