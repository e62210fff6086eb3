// Every page: say that scripts run, and let forms come back to where the reader is.
import { fields } from "./dom.js";
import { anyWaiting } from "./waiting.js";
import "./keys.js";

document.documentElement.classList.replace("no-js", "js");

// The clock by which whoever signs in lives.
for (const field of fields("[data-time-zone]")) {
  field.value = Intl.DateTimeFormat().resolvedOptions().timeZone;
}

function followAddress() {
  for (const field of fields("[data-here]")) {
    field.value = location.pathname + location.search;
  }
}
document.body.addEventListener("htmx:replacedInHistory", followAddress);
followAddress();

// A part that could not be brought is said at the top; a form is asked again when the server says, whatever else
// comes or fails meanwhile, and then it is forgotten.
const trouble = document.getElementById("trouble");
const again = new Map();
document.body.addEventListener("htmx:afterRequest", ({ detail: { elt, xhr } }) => {
  clearTimeout(again.get(elt));
  again.delete(elt);
  const wait = Number(xhr.getResponseHeader("Retry-After"));
  if (xhr.status < 400 && !again.size) trouble.textContent = "";
  if (xhr.status >= 400 && wait && elt instanceof HTMLFormElement) again.set(elt, setTimeout(askAgain, 1000 * wait, elt));
});

function askAgain(form) {
  again.delete(form);
  htmx.trigger(form, "submit");
}

// What was entered on the course is sent from any page; who leaves takes along what was kept of them.
async function sendWaiting() {
  const { send, state } = await import("./queue.js");
  await send((await state()) ?? { golfer: null });
  const word = document.getElementById("from-course");
  if (word) word.hidden = !anyWaiting();
}
if (anyWaiting()) sendWaiting();
document.addEventListener("submit", async (event) => {
  const form = event.target;
  if (!(form instanceof HTMLFormElement) || !form.matches("[data-leaves]")) return;
  event.preventDefault();
  try {
    const { leave } = await import("./store.js");
    await leave();
  } finally {
    // A browser that keeps nothing lets nobody stay.
    form.submit();
  }
});

// A page that Back has brought up again sends a form under the key that it was sent with before: one entry,
// not two. A form that says something else by then is another.
const [arrival] = performance.getEntriesByType("navigation");
let cameBack = arrival instanceof PerformanceNavigationTiming && arrival.type === "back_forward";
addEventListener("pageshow", (event) => {
  cameBack ||= event.persisted;
});

document.addEventListener("submit", ({ target: form }) => {
  const key = form instanceof HTMLFormElement && form.elements.namedItem("key");
  if (!(form instanceof HTMLFormElement && key instanceof HTMLInputElement)) return;
  if (form.querySelector("[type=password]")) return;
  const said = [...new FormData(form)].flatMap(([name, value]) =>
    name !== "key" && name !== "csrf_token" && typeof value === "string" ? [[name, value]] : [],
  );
  const place = `sent ${form.action} ${new URLSearchParams(said)}`;
  if (cameBack) key.value = sessionStorage.getItem(place) || key.value;
  sessionStorage.setItem(place, key.value);
});
