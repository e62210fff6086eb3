// The ball rolls in real time along its way in each drawing that is seen, with a sound at its beat mark if that
// is wanted.
import { field, part } from "./dom.js";
import { tone } from "./sound.js";

let frame = 0;

function beatAt(seconds) {
  const audio = new AudioContext();
  tone(audio, "mark", audio.currentTime + seconds).onended = () => audio.close();
}

// Where it is, and how large where that is told; null where it is hidden.
function placeAt(rolled, seconds) {
  const { spots, duration_s: duration } = rolled;
  const at = Math.min(1, seconds / duration) * (spots.length - 1);
  const i = Math.min(Math.floor(at), spots.length - 2);
  const share = at - i;
  const [before, after] = [spots[i], spots[i + 1]];
  return before && after && before.map((figure, axis) => figure + share * (after[axis] - figure));
}

function show(rolled, seconds) {
  const ball = part(rolled.ball);
  if (!ball) return;
  const place = placeAt(rolled, seconds);
  ball.classList.toggle("hidden", !place);
  const names = ["cx", "cy", "r"];
  for (const [i, figure] of (place ?? []).entries()) ball.setAttribute(names[i], figure);
  ball.dataset.seconds = Math.min(seconds, rolled.duration_s).toFixed(3);
}

// From its address, unless the page has it already.
async function bring(drawing) {
  if (drawing.spots) return drawing;
  const { address, ball } = drawing;
  const answer = await fetch(address);
  return answer.ok ? { ball, ...(await answer.json()) } : null;
}

/** @param {{address?: string, ball: string, spots?: number[][]}[]} drawings */
export async function roll(drawings) {
  const all = (await Promise.all(drawings.map(bring))).filter(Boolean);
  if (!all.length) return;
  cancelAnimationFrame(frame);
  const [{ duration_s: duration, beat_s: beat }] = all;
  const longest = Math.max(...all.map((one) => one.duration_s));
  const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
  if (field("#beat")?.checked && duration > beat) beatAt(beat);
  const start = performance.now();
  const step = (now) => {
    const seconds = still ? longest : Math.max(0, now - start) / 1000;
    for (const one of all) show(one, seconds);
    if (seconds < longest) frame = requestAnimationFrame(step);
  };
  frame = requestAnimationFrame(step);
}
