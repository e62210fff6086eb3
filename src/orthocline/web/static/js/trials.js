// Trials entered one after another: Enter goes on to the next field, and what is being typed outlives an answer.
import { around, fields } from "./dom.js";

let wanted = ""; // the kind of trial whose next empty field is to be typed in, once the answer has brought it
/** @type {Map<string, string>} */
let sent = new Map(); // what was in each field as the answer was asked for

const typed = () => fields("#inputs input[type=text]");
const emptyField = (kind) => fields(`[data-trial=${kind}]`).find((one) => !one.value);

// Leaving a field tells the page of its change, once: Enter leaves it and sends nothing itself.
document.addEventListener("keydown", (event) => {
  const here = around(event, "[data-trial]");
  if (event.key !== "Enter" || !(here instanceof HTMLInputElement) || !here.value) return;
  event.preventDefault();
  const next = emptyField(here.dataset.trial);
  if (next) {
    next.focus();
  } else {
    wanted = here.dataset.trial;
    here.blur();
  }
});

document.addEventListener("focusin", () => {
  wanted = "";
});

// An answer knows what was in the fields as it was asked for; a field that was typed in since stays as it is.
document.body.addEventListener("htmx:beforeRequest", () => {
  sent = new Map(typed().map((one) => [one.id, one.value]));
});
Idiomorph.defaults.callbacks.beforeNodeMorphed = (old) =>
  !(old instanceof HTMLInputElement && old.type === "text" && sent.has(old.id) && old.value !== sent.get(old.id));

// An answer that was asked for before the last trial may not have the next field yet: it comes with a later one.
document.body.addEventListener("htmx:afterSwap", () => {
  const next = wanted && emptyField(wanted);
  if (next) next.focus();
});
