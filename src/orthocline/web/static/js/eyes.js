// Through your eyes: the head is turned, the aim is dragged, one goes round the putt. No optics here: the
// server draws what is seen, and says how many units of its sheet a metre of aim is.
import { around, drawn, fields, part, spotOn } from "./dom.js";
import { roll } from "./roll.js";

const stage = part("#eyes-stage");
/** @type {HTMLDetailsElement | null} */
const fold = document.querySelector("#eyes-fold");
const eyes = part("#eyes");
const handle = part("#eye-aim");
const PAUSE_MS = 110; // the server draws ten a second for one address
const STEP_DEG = 5;
const LOOKS = ["stop", "turn", "nod", "crouch", "flag_out", "shape"];
const SIDEWAYS = matchMedia("(orientation: landscape) and (max-height: 500px)");
const NARROW = matchMedia("(max-width: 700px)");
let drag = null;
let asking = false;
let next = null;
let wished = null; // what was asked for last, until it is seen

const seen = () => part("#seen");
const sheet = () => drawn("#eyes svg");
const drawnSo = () => JSON.parse(seen()?.dataset.asks ?? "{}");
const aim = () => JSON.parse(seen()?.dataset.aim ?? "null");
const shape = () => (SIDEWAYS.matches ? "wide" : NARROW.matches ? "tall" : "beside");

// The address of what is to be seen: beside a read the read's, which may be newer than what is drawn, looked at so.
function asks() {
  const address = part("#eyes-ask")?.getAttribute("hx-get");
  const said = wished ?? drawnSo();
  if (!address) return said;
  const read = Object.fromEntries(new URLSearchParams(address.split("?")[1]));
  return { ...read, ...looks(said) };
}
const looks = (said) => Object.fromEntries(LOOKS.map((name) => [name, said[name] ?? ""]));

// While one drawing is under way only the newest wish is kept.
function ask(values) {
  next = values;
  wished = values;
  if (!asking) send();
}

function send() {
  const values = next;
  next = null;
  asking = Boolean(values);
  if (!values) {
    wished = null;
    return;
  }
  const rest = new Promise((done) => setTimeout(done, PAUSE_MS));
  const answered = htmx.ajax("GET", "/eyes", { source: stage, target: "#eyes", swap: "innerHTML", values: { ...values, shape: shape() } }).catch(() => {});
  Promise.all([rest, answered]).then(send);
}

// Whoever else shows this putt may take a wish: then the putt is changed there, and this follows.
const taken = (what, detail) => !document.dispatchEvent(new CustomEvent(what, { cancelable: true, detail }));

function lay() {
  const now = aim();
  handle.hidden = !now;
  if (now) {
    handle.setAttribute("aria-valuenow", now.now);
    handle.setAttribute("aria-valuetext", now.says);
    if (drag?.kind !== "aim") place(now.left, now.top);
  }
  const said = { shape: shape(), ...(wished ?? drawnSo()) };
  for (const field of fields("#looking input")) field.value = said[field.name] ?? field.value;
}

// The handle lies over the drawing, which is the upper part of its stage.
function place(left, top) {
  const box = sheet().getBoundingClientRect();
  const frame = stage.getBoundingClientRect();
  handle.style.left = `${box.left - frame.left + (left * box.width) / 100}px`;
  handle.style.top = `${box.top - frame.top + (top * box.height) / 100}px`;
}

function aimAt(right, field, more) {
  const change = { [field]: right.toFixed(4) };
  if (!taken("aimed", { change, more })) ask({ ...drag?.base ?? asks(), ...change });
}

handle.addEventListener("pointerdown", (event) => {
  event.preventDefault();
  handle.focus();
  handle.setPointerCapture(event.pointerId);
  const { now, field } = aim();
  drag = { kind: "aim", from: spotOn(event, sheet()).x, now, field, perMetre: +sheet().dataset.perM, base: asks(), last: null };
});
handle.addEventListener("pointermove", (event) => {
  if (drag?.kind !== "aim") return;
  const box = stage.getBoundingClientRect();
  handle.style.left = `${event.clientX - box.left}px`;
  drag.last = drag.now + (spotOn(event, sheet()).x - drag.from) / drag.perMetre;
  aimAt(drag.last, drag.field, true);
});
handle.addEventListener("keydown", (event) => {
  const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
  const now = aim();
  if (!way || !now) return;
  event.preventDefault();
  event.stopPropagation();
  const right = Math.sign(+sheet().dataset.perM) * way * 0.0254;
  aimAt(now.now + right, now.field, false);
});

// A drag of the drawing turns the head: what was under the finger stays there.
eyes.addEventListener("pointerdown", (event) => {
  if (!around(event, "#eyes svg")) return;
  event.preventDefault();
  eyes.focus({ preventScroll: true });
  eyes.setPointerCapture(event.pointerId);
  const said = asks();
  drag = { kind: "head", from: spotOn(event, sheet()), focal: +sheet().dataset.focal, turn: +said.turn || 0, nod: +said.nod || 0, base: said };
});
eyes.addEventListener("pointermove", (event) => {
  if (drag?.kind !== "head" || !sheet()) return;
  const at = spotOn(event, sheet());
  const degrees = (units) => (Math.atan(units / drag.focal) * 180) / Math.PI;
  look(drag.base, drag.turn - degrees(at.x - drag.from.x), drag.nod - degrees(at.y - drag.from.y));
});
function drop() {
  const last = drag;
  drag = null;
  if (last?.kind === "aim" && last.last !== null) aimAt(last.last, last.field, false);
  if (last) lay();
}
for (const one of [eyes, handle]) {
  one.addEventListener("pointerup", drop);
  one.addEventListener("pointercancel", drop);
}

function look(base, turn, nod) {
  const within = (angle, most) => String(Math.round(10 * Math.min(Math.max(angle, -most), most)) / 10);
  ask({ ...base, turn: within(turn, 120), nod: within(nod, 60) });
}

const TURNS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
eyes.addEventListener("keydown", (event) => {
  const way = TURNS[event.key];
  const held = event.ctrlKey || event.metaKey || event.altKey;
  if (event.target !== eyes || held || !(way || event.key === "Home")) return;
  event.preventDefault();
  const said = asks();
  if (way) look(said, (+said.turn || 0) + way[0] * STEP_DEG, (+said.nod || 0) + way[1] * STEP_DEG);
  else look(said, 0, 0);
});

// Ways to look are addresses: here they change the drawing alone.
stage.addEventListener("click", (event) => {
  const way = around(event, ".looks a");
  if (!(way instanceof HTMLAnchorElement) || event.ctrlKey || event.metaKey) return;
  event.preventDefault();
  if (way.matches(".leave")) {
    if (fold) fold.open = false;
    else location.assign(way.href);
    return;
  }
  const { light } = way.dataset;
  if (light && taken("lit", { light })) return;
  const said = Object.fromEntries(new URLSearchParams(way.search));
  ask(part("#eyes-ask") ? { ...asks(), ...looks(said) } : said);
});

document.body.addEventListener("htmx:afterSwap", ({ detail }) => {
  if (detail.target.id === "eyes") lay();
});
for (const one of [SIDEWAYS, NARROW]) one.addEventListener("change", () => seen() && ask(asks()));
addEventListener("resize", () => seen() && lay());

document.querySelector("#roll-eyes")?.addEventListener("click", () => roll([eyesRoll()]));

// Where the ball is seen to roll, if this putt is seen at all.
export const eyesRoll = () => ({ address: `/eyes/roll?${new URLSearchParams(asks())}`, ball: "#eyes [data-part=rolling]" });

// On a wide screen both drawings stand side by side, unless that was closed.
if (fold) {
  const kept = localStorage.getItem("eyes");
  if (matchMedia("(min-width: 1280px)").matches && kept !== "closed") fold.open = true;
  fold.addEventListener("toggle", () => {
    if (matchMedia("(min-width: 1280px)").matches) localStorage.setItem("eyes", fold.open ? "open" : "closed");
  });
}

if (seen() && asks().shape !== shape()) ask(asks());
lay();
