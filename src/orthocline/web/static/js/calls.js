// Which calls lead, and in which order: their list is dragged, or moved with the arrow keys on a grip.
import { around, part } from "./dom.js";

let held = null; // the row that is dragged
let back = ""; // the grip that has the focus again after the answer

const rows = () => /** @type {HTMLElement[]} */ ([...document.querySelectorAll("#choosing li")]);

function send(edit, name) {
  back = `grip-${name}`;
  const form = /** @type {HTMLFormElement} */ (part("#choosing"));
  const field = document.createElement("input");
  Object.assign(field, { type: "hidden", name: "edit", value: edit });
  form.append(field);
  form.requestSubmit();
}

document.addEventListener("pointerdown", (event) => {
  const grip = around(event, ".grip");
  if (!(grip instanceof HTMLElement)) return;
  event.preventDefault();
  grip.focus();
  grip.setPointerCapture(event.pointerId);
  held = grip.closest("li");
  held.classList.add("is-held");
});

document.addEventListener("pointermove", (event) => {
  if (!held) return;
  const over = rows().find((row) => event.clientY < row.getBoundingClientRect().bottom) ?? null;
  if (over === held) return;
  const below = over && over.compareDocumentPosition(held) & Node.DOCUMENT_POSITION_PRECEDING;
  held.parentElement.insertBefore(held, below ? over.nextSibling : over);
});

// Dropped among those that lead it leads there; below all of them it is folded away.
document.addEventListener("pointerup", () => {
  if (!held) return;
  const name = held.dataset.call;
  const leaders = rows().filter((row) => row === held || "leads" in row.dataset);
  const place = leaders.indexOf(held);
  const folded = held.previousElementSibling instanceof HTMLElement && !("leads" in held.previousElementSibling.dataset);
  held.classList.remove("is-held");
  held = null;
  send(folded ? `fold:${name}` : `to:${name}:${place}`, name);
});

document.addEventListener("pointercancel", () => {
  held?.classList.remove("is-held");
  held = null;
});

document.addEventListener("keydown", (event) => {
  const grip = around(event, ".grip");
  const way = { ArrowUp: "up", ArrowDown: "down" }[event.key];
  if (!(grip instanceof HTMLElement) || !way) return;
  event.preventDefault();
  const row = grip.closest("li");
  const name = row.dataset.call;
  send("leads" in row.dataset ? `${way}:${name}` : `lead:${name}`, name);
});

// On a phone the calls stand below the inputs: the way there opens them.
document.addEventListener("click", (event) => {
  const fold = around(event, "a[href='#calls']") && document.getElementById("calls");
  if (fold instanceof HTMLDetailsElement) fold.open = true;
});

document.body.addEventListener("htmx:afterSettle", () => {
  const grip = back && document.getElementById(back);
  if (!grip) return;
  grip.focus();
  back = "";
});
