// Tap where the ball stopped: the place goes into the two figures, which are what is kept.
import { around, drawn, field, part, spotOn } from "./dom.js";

const target = drawn("#target");
const finish = part("[data-part=finish]");
const { near } = target.closest("form").dataset;
const { middle, foot, perNear } = Object.fromEntries(
  Object.entries(target.dataset).map(([name, figure]) => [name, Number(figure)]),
);

function write(name, figure, positive, negative) {
  field(`#${name}`).value = `${Math.abs(Math.round(figure))} ${near}`;
  const way = figure >= 0 ? positive : negative;
  field(`input[name=${name}_way][value=${way}]`).checked = true;
}

target.addEventListener("click", (event) => {
  const at = spotOn(event, target);
  write("along", (middle - at.y) / perNear, "past", "short");
  write("across", (at.x - middle) / perNear, "right", "left");
  const [way] = finish.getElementsByTagName("path");
  const [dot] = finish.getElementsByTagName("circle");
  way.setAttribute("d", `M${middle} ${foot}L${at.x} ${at.y}`);
  dot.setAttribute("cx", String(at.x));
  dot.setAttribute("cy", String(at.y));
  finish.classList.remove("hidden");
});

// A tap on a usual length fills it in.
document.addEventListener("click", (event) => {
  const chip = around(event, "[data-length]");
  if (chip) field("#length").value = chip.dataset.length;
});
