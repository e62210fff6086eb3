// Tries entered one after another: Enter goes on to the next field, and what is being typed outlives an answer.
let wanted = ""; // the kind of try whose next empty field is to be typed in, once the answer has brought it
let typed = null; // the field that was being typed in as an answer came

const emptyField = (kind) => [...document.querySelectorAll(`[data-try=${kind}]`)].find((field) => !field.value);

// Leaving a field tells the page of its change, once: Enter leaves it and sends nothing itself.
document.addEventListener("keydown", (event) => {
  const kind = event.target.dataset.try;
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

document.body.addEventListener("htmx:beforeSwap", () => {
  const field = document.activeElement;
  typed = field.matches("#inputs input[type=text]") ? { id: field.id, value: field.value } : null;
});

document.body.addEventListener("htmx:afterSwap", () => {
  const next = wanted && emptyField(wanted);
  const field = next || (typed && document.getElementById(typed.id));
  if (typed && field && !next) field.value = typed.value;
  field?.focus();
  wanted = "";
  typed = null;
});
