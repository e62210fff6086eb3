// The ball rolls in real time along its way, with a sound at its beat mark if that is wanted.
import { field, part } from "./dom.js";
import { tone } from "./sound.js";

let frame = 0;

function beatAt(seconds) {
  const audio = new AudioContext();
  tone(audio, "mark", audio.currentTime + seconds).onended = () => audio.close();
}

function placeAt(rolled, seconds) {
  const { spots, duration_s: duration } = rolled;
  const at = Math.min(1, seconds / duration) * (spots.length - 1);
  const i = Math.min(Math.floor(at), spots.length - 2);
  const share = at - i;
  return [0, 1].map((axis) => spots[i][axis] + share * (spots[i + 1][axis] - spots[i][axis]));
}

export async function roll(putt) {
  const answer = await fetch(`/read/roll?${new URLSearchParams(putt)}`);
  if (!answer.ok) return;
  const rolled = await answer.json();
  cancelAnimationFrame(frame);
  const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
  if (field("#beat").checked && rolled.duration_s > rolled.beat_s) beatAt(rolled.beat_s);
  const start = performance.now();
  const show = (now) => {
    const ball = part("[data-part=rolling]");
    if (!ball) return;
    const seconds = still ? rolled.duration_s : Math.max(0, now - start) / 1000;
    const [x, y] = placeAt(rolled, seconds);
    ball.classList.remove("hidden");
    ball.setAttribute("cx", x);
    ball.setAttribute("cy", y);
    ball.dataset.seconds = Math.min(seconds, rolled.duration_s).toFixed(3);
    if (seconds < rolled.duration_s) frame = requestAnimationFrame(show);
  };
  frame = requestAnimationFrame(show);
}
