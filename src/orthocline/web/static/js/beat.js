// The metronome. Sounds are scheduled ahead on the audio clock; the pulse is drawn each frame from the same clock.
import { field, part } from "./dom.js";
import { due, schedule } from "./sound.js";

const AHEAD = 2; // seconds of sound scheduled in advance: the timers of a page behind another run once a second
const LEAD = 0.15;
const FLASH = 0.14;
const page = document.getElementById("beat-page");
const beat = JSON.parse(page.dataset.beat);
const button = document.getElementById("start");
const silent = field("#silent");
const pulse = part("[data-part=pulse]");
const head = part("[data-part=head]");
const plan = Object.fromEntries(
  Object.entries(document.getElementById("stroke").dataset).map(([name, figure]) => [name, Number(figure)]),
);
const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
let running = null;

function start() {
  const context = silent.checked ? null : new AudioContext();
  const clock = context ? () => context.currentTime - (context.outputLatency || 0) : () => performance.now() / 1000;
  running = { context, clock, origin: (context ? context.currentTime : clock()) + LEAD, scheduled: 0, timer: 0 };
  if (context) {
    context.resume();
    fill();
    running.timer = setInterval(fill, 100);
  }
  button.textContent = "Stop";
  button.setAttribute("aria-pressed", "true");
  requestAnimationFrame(draw);
}

function fill() {
  const until = running.context.currentTime - running.origin + AHEAD;
  if (until <= running.scheduled) return;
  schedule(running.context, beat, running.origin, running.scheduled, until);
  running.scheduled = until;
}

function stop() {
  clearInterval(running.timer);
  running.context?.close();
  running = null;
  button.textContent = "Start";
  button.setAttribute("aria-pressed", "false");
  show("", 0);
  place(plan.ball);
}

function draw() {
  if (!running) return;
  const seconds = running.clock() - running.origin;
  const last = due(beat, Math.max(0, seconds - beat.period_s), seconds + 1e-9).at(-1);
  show(last ? last[0] : "", last && seconds - last[1] < FLASH ? 1 : 0);
  if (!still && seconds > 0) place(headAt(seconds % beat.period_s));
  page.dataset.seconds = String(seconds);
  requestAnimationFrame(draw);
}

function show(name, on) {
  pulse.dataset.sound = name;
  pulse.classList.toggle("is-on", Boolean(on));
}

// The putter's head: back to the top and through the ball, slow at both ends as a pendulum is.
function headAt(time) {
  const at = Object.fromEntries(beat.sounds);
  const through = at.strike + (at.strike - at.top);
  if (time < at.top) return mix(plan.ball, plan.top, (1 - Math.cos((Math.PI * time) / at.top)) / 2);
  if (time < through) return mix(plan.top, plan.end, (1 - Math.cos((Math.PI * (time - at.top)) / (through - at.top))) / 2);
  return time < through + 0.6 ? plan.end : plan.ball;
}

const mix = (a, b, share) => a + (b - a) * share;

function place(x) {
  head.setAttribute("transform", `translate(${(x - plan.ball).toFixed(1)} 0)`);
}

button.addEventListener("click", () => (running ? stop() : start()));
silent.addEventListener("change", () => {
  if (!running) return;
  stop();
  start();
});
addEventListener("pagehide", () => running && stop());
