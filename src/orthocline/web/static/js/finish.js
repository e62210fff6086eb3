// Tap where the ball stopped: the place goes into the two figures, which are what is kept.
const target = document.getElementById("target");
const finish = document.getElementById("finish");
const MIDDLE = 300;
const FOOT_OF_SHEET = 596;

function write(name, figure, positive, negative) {
  document.getElementById(name).value = `${Math.abs(Math.round(figure))} ${target.dataset.near}`;
  const way = figure >= 0 ? positive : negative;
  document.querySelector(`input[name=${name}_way][value=${way}]`).checked = true;
}

target.addEventListener("click", (event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(target.getScreenCTM().inverse());
  const perNear = +target.dataset.perNear;
  write("along", (MIDDLE - at.y) / perNear, "past", "short");
  write("across", (at.x - MIDDLE) / perNear, "right", "left");
  const [line] = finish.getElementsByTagName("line");
  const [dot] = finish.getElementsByTagName("circle");
  line.setAttribute("x1", MIDDLE);
  line.setAttribute("y1", FOOT_OF_SHEET);
  line.setAttribute("x2", at.x);
  line.setAttribute("y2", at.y);
  dot.setAttribute("cx", at.x);
  dot.setAttribute("cy", at.y);
  finish.classList.remove("hidden");
});
