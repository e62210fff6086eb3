// A phone laid down as a level: its sensor moves the bubble, and a second at rest is one reading.
import { drawn, field, part, parts } from "./dom.js";

const REST_MS = 1000; // so long it must lie still
const STILL_DEG = 0.1; // within so much
const PATIENCE_MS = 8000;
const CHECK_MS = 100;
const said = part("#sensor");
const seen = []; // readings: when, and how far the top is raised; the last second, and the one before
let taking = null; // the field that waits for a reading
let since = 0; // and since when

function sense({ beta }) {
  if (beta === null) return;
  seen.push([performance.now(), beta]);
  move(beta);
}

function move(degrees) {
  const drawing = drawn("#bubble");
  const [middle, perDegree, half] = ["middle", "perDegree", "half"].map((name) => Number(drawing.dataset[name]));
  const off = Math.max(-half, Math.min(half, perDegree * degrees));
  drawing.querySelector("[data-part=bubble]").setAttribute("cx", `${middle + off}`);
}

// What the sensor shows holds until it shows something else: one reading a second ago is a second of rest.
function take() {
  const now = performance.now();
  while (seen.length > 1 && now - seen[1][0] > REST_MS) seen.shift();
  if (!taking || !seen.length || now - since < REST_MS) return;
  const leans = seen.map(([, beta]) => beta);
  if (Math.max(...leans) - Math.min(...leans) >= STILL_DEG) return;
  const mean = leans.reduce((sum, one) => sum + one, 0) / leans.length;
  taking.value = `${mean.toFixed(2)} deg`;
  taking.dispatchEvent(new Event("change", { bubbles: true }));
  taking = null;
  said.textContent = "";
}

async function listen(name) {
  const sensor = /** @type {any} */ (window.DeviceOrientationEvent);
  if (sensor?.requestPermission && (await sensor.requestPermission().catch(() => "denied")) !== "granted") {
    said.textContent = said.dataset.refused;
    return;
  }
  window.addEventListener("deviceorientation", sense);
  since = performance.now();
  taking = field(`#lay [name=${name}]`);
  said.textContent = said.dataset.still;
  const mine = taking;
  setTimeout(() => {
    if (taking !== mine) return;
    taking = null;
    said.textContent = seen.length ? said.dataset.moved : said.dataset.none;
  }, PATIENCE_MS);
}

setInterval(take, CHECK_MS);

for (const button of parts("[data-lay]")) button.addEventListener("click", () => listen(button.dataset.lay));
