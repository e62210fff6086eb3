// Tries entered one after another: Enter goes on to the next field, and what is being typed outlives an answer.
let wanted = ""; // the kind of try whose next empty field is to be typed in
let typed = null; // the field that was being typed in as an answer came

document.addEventListener("keydown", (event) => {
  if (event.key === "Enter" && event.target.dataset.try) wanted = event.target.dataset.try;
});

document.body.addEventListener("htmx:beforeSwap", () => {
  const field = document.activeElement;
  typed = field.matches("#inputs input[type=text]") ? { id: field.id, value: field.value } : null;
});

document.body.addEventListener("htmx:afterSwap", () => {
  const next = wanted && [...document.querySelectorAll(`[data-try=${wanted}]`)].find((field) => !field.value);
  const field = next || (typed && document.getElementById(typed.id));
  if (typed && field && !next) field.value = typed.value;
  field?.focus();
  wanted = "";
  typed = null;
});
