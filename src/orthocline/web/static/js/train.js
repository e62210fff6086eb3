// The trainer: a mark is tapped or dragged on what is seen, keys answer, and both balls roll. No optics here: the
// server turns a tap into a place of the ground, and draws it.
import { around, drawn, part, spotOn } from "./dom.js";
import { free } from "./keys.js";
import { roll } from "./roll.js";

const STEPS = { ArrowRight: { step: 1 }, ArrowLeft: { step: -1 }, ArrowUp: { along: 1 }, ArrowDown: { along: -1 } };
let held = false; // the finger is on the ground

/** @type {() => HTMLFormElement | null} */
const form = () => document.querySelector("#answering");
/** @type {() => SVGElement | null} */
const ghost = () => document.querySelector("#placing [data-part=ghost]");

// Send the answer that is not given yet, with what is done to it.
function move(change) {
  const fields = Object.fromEntries(new FormData(form()));
  htmx.ajax("POST", form().action, { source: form(), target: "#question", swap: "innerHTML", values: { ...fields, ...change } }).then(() => part("#placing")?.focus({ preventScroll: true }));
}

// A ring follows the finger until the server has drawn the mark.
function follow(event) {
  const sheet = drawn("#placing svg");
  const at = spotOn(event, sheet);
  let ring = ghost();
  if (!ring) {
    ring = document.createElementNS("http://www.w3.org/2000/svg", "circle");
    ring.setAttribute("data-part", "ghost");
    ring.setAttribute("class", "line sign-do");
    ring.setAttribute("r", "11");
    ring.setAttribute("stroke-width", "2.4");
    sheet.append(ring);
  }
  ring.setAttribute("cx", String(at.x));
  ring.setAttribute("cy", String(at.y));
  return at;
}

document.addEventListener("pointerdown", (event) => {
  if (!around(event, "#placing svg")) return;
  event.preventDefault();
  held = true;
  part("#placing").setPointerCapture(event.pointerId);
  part("#placing").focus({ preventScroll: true });
  follow(event);
});
document.addEventListener("pointermove", (event) => {
  if (held && part("#placing")) follow(event);
});
document.addEventListener("pointerup", (event) => {
  if (!held || !part("#placing")) return;
  held = false;
  const at = follow(event);
  move({ tap: `${at.x.toFixed(1)},${at.y.toFixed(1)}` });
});
document.addEventListener("pointercancel", () => {
  held = false;
  ghost()?.remove();
});

const rollBoth = () => {
  const told = part("#answered")?.dataset.rolls;
  if (told) roll(JSON.parse(told));
};

document.addEventListener("click", (event) => {
  if (around(event, "#roll-both")) rollBoth();
});
document.addEventListener("keydown", (event) => {
  const more = event.ctrlKey || event.metaKey || event.altKey;
  if (event.target === part("#placing") && STEPS[event.key] && !more) {
    event.preventDefault();
    move(STEPS[event.key]);
    return;
  }
  if (event.key !== " " || !part("#roll-both") || !free(event)) return;
  event.preventDefault();
  rollBoth();
});

// Whoever hears the page is told what is asked, or what came of the answer.
document.body.addEventListener("htmx:afterSwap", ({ detail }) => {
  if (detail.target.id !== "question") return;
  const title = document.querySelector("#question h1");
  if (title instanceof HTMLElement) title.focus({ preventScroll: true });
  if (part("#answered") && !matchMedia("(prefers-reduced-motion: reduce)").matches) rollBoth();
});
