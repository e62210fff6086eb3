// Whether a single key does something: they can be turned off.
import { around } from "./dom.js";

export const singleKeys = () => document.documentElement.dataset.keys !== "off";

// Whether a key is free: nothing is typed or pressed with it where it went down.
export const free = (event) =>
  singleKeys() &&
  !event.ctrlKey &&
  !event.metaKey &&
  !event.altKey &&
  !around(event, "input, select, textarea, button, summary, a, [role=slider], dialog");

// A drawing or a fold by its key: to it, and open; once more closes it.
function show(part) {
  if (part instanceof HTMLDetailsElement) part.open = !part.open;
  const box = part.querySelector("input[type=checkbox]");
  if (part instanceof HTMLLabelElement && box instanceof HTMLElement) box.click();
  const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
  part.scrollIntoView({ block: "nearest", behavior: still ? "auto" : "smooth" });
  if (part.hasAttribute("tabindex")) part.focus({ preventScroll: true });
}

// What a key taps, where a page offers it.
const tapped = (key) => document.querySelector(`[data-tap-key="${CSS.escape(key)}"]`);

document.addEventListener("keydown", (event) => {
  if (!free(event)) return;
  const offered = tapped(event.key);
  if (offered instanceof HTMLElement) {
    event.preventDefault();
    offered.click();
    return;
  }
  const sheet = document.getElementById("keys");
  if (event.key === "?" && sheet instanceof HTMLDialogElement) sheet.showModal();
  else if (/^[a-z]$/.test(event.key)) {
    const part = document.querySelector(`[data-key="${event.key}"]`);
    if (part instanceof HTMLElement) show(part);
  }
});
