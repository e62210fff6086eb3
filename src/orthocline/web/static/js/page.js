// Every page: say that scripts run, and let forms come back to where the reader is.
document.documentElement.classList.replace("no-js", "js");

function followAddress() {
  for (const field of document.querySelectorAll("[data-here]")) {
    field.value = location.pathname + location.search;
  }
}
document.body.addEventListener("htmx:replacedInHistory", followAddress);
followAddress();
