// What is carried stays on the screen: a phone that may keep its screen on does, as long as the page is seen.
import { part } from "./dom.js";

const says = part("#awake");

async function stayAwake() {
  if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
  try {
    const lock = await navigator.wakeLock.request("screen");
    if (says) says.textContent = "The screen stays on.";
    lock.addEventListener("release", () => {
      if (says) says.textContent = "";
    });
  } catch {
    // A battery that is low, or a browser that asks for TLS, says no: nothing else changes.
  }
}
document.addEventListener("visibilitychange", stayAwake);
stayAwake();
