// Tap where the ball stopped: the place goes into the two figures, which are what is kept.
const target = document.getElementById("target");
const finish = document.querySelector("[data-part=finish]");
const { near } = target.closest("form").dataset;
const { middle, foot, perNear } = Object.fromEntries(
  Object.entries(target.dataset).map(([name, figure]) => [name, Number(figure)]),
);

function write(name, figure, positive, negative) {
  document.getElementById(name).value = `${Math.abs(Math.round(figure))} ${near}`;
  const way = figure >= 0 ? positive : negative;
  document.querySelector(`input[name=${name}_way][value=${way}]`).checked = true;
}

target.addEventListener("click", (event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(target.getScreenCTM().inverse());
  write("along", (middle - at.y) / perNear, "past", "short");
  write("across", (at.x - middle) / perNear, "right", "left");
  const [way] = finish.getElementsByTagName("path");
  const [dot] = finish.getElementsByTagName("circle");
  way.setAttribute("d", `M${middle} ${foot}L${at.x} ${at.y}`);
  dot.setAttribute("cx", at.x);
  dot.setAttribute("cy", at.y);
  finish.classList.remove("hidden");
});
