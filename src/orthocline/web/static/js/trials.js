// Trials entered one after another: Enter goes on to the next field, and what is being typed outlives an answer.
let wanted = ""; // the kind of trial whose next empty field is to be typed in, once the answer has brought it
let sent = new Map(); // what was in each field as the answer was asked for
let newer = []; // the fields that were typed in since
let focused = "";

const fields = () => [...document.querySelectorAll("#inputs input[type=text]")];
const emptyField = (kind) => [...document.querySelectorAll(`[data-trial=${kind}]`)].find((field) => !field.value);

// Leaving a field tells the page of its change, once: Enter leaves it and sends nothing itself.
document.addEventListener("keydown", (event) => {
  const kind = event.target.dataset.trial;
  if (event.key !== "Enter" || !kind || !event.target.value) return;
  event.preventDefault();
  const next = emptyField(kind);
  if (next) {
    next.focus();
  } else {
    wanted = kind;
    event.target.blur();
  }
});

document.addEventListener("focusin", () => {
  wanted = "";
});

// An answer knows what was in the fields as it was asked for; what was typed since is put back over it.
document.body.addEventListener("htmx:beforeRequest", () => {
  sent = new Map(fields().map((field) => [field.id, field.value]));
});

document.body.addEventListener("htmx:beforeSwap", () => {
  newer = fields().filter((field) => field.value !== sent.get(field.id));
  focused = document.activeElement.id;
});

document.body.addEventListener("htmx:afterSwap", () => {
  for (const { id, value } of newer) {
    const field = document.getElementById(id);
    if (field) field.value = value;
  }
  // An answer that was asked for before the last trial may not have the next field yet: it comes with a later one.
  const next = wanted && emptyField(wanted);
  if (next) wanted = "";
  (next || document.getElementById(focused))?.focus();
});
