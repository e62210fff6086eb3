// Tap where the ball stopped: the place goes into the two figures, which are what is kept.
import { around, drawn, field, part, spotOn } from "./dom.js";

const form = part("form[data-near]");
const { near } = form.dataset;

// The drawing may be another by now, to another scale.
const figures = () =>
  Object.fromEntries(Object.entries(drawn("#target").dataset).map(([name, figure]) => [name, Number(figure)]));

function write(name, figure, positive, negative) {
  field(`#${name}`).value = `${Math.abs(Math.round(figure))} ${near}`;
  const way = figure >= 0 ? positive : negative;
  field(`input[name=${name}_way][value=${way}]`).checked = true;
}

function mark(x, y) {
  const { middle, foot } = figures();
  const finish = part("[data-part=finish]");
  const [way] = finish.getElementsByTagName("path");
  const [dot] = finish.getElementsByTagName("circle");
  way.setAttribute("d", `M${middle} ${foot}L${x} ${y}`);
  dot.setAttribute("cx", String(x));
  dot.setAttribute("cy", String(y));
  finish.classList.remove("hidden");
}

// What stands in a field, in the unit that the drawing knows; none while it is empty or in another one.
function read(name, negative) {
  const said = new RegExp(`^\\s*([\\d.]+)\\s*${near}\\s*$`).exec(field(`#${name}`).value);
  return said && Number(said[1]) * (field(`input[name=${name}_way][value=${negative}]`).checked ? -1 : 1);
}

form.addEventListener("click", (event) => {
  const chip = around(event, "[data-length]");
  if (chip) field("#length").value = chip.dataset.length;
  const target = drawn("#target");
  if (!(event.target instanceof Element && target.contains(event.target))) return;
  const { middle, perNear } = figures();
  const at = spotOn(event, target);
  write("along", (middle - at.y) / perNear, "past", "short");
  write("across", (at.x - middle) / perNear, "right", "left");
  mark(at.x, at.y);
});

// Drawn to another scale, nothing that was tapped or typed is lost.
form.addEventListener("htmx:afterSwap", () => {
  const along = read("along", "short");
  const across = read("across", "left");
  const { middle, perNear } = figures();
  if (along !== null && across !== null) mark(middle + across * perNear, middle - along * perNear);
});
