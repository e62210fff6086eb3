// What waits on the phone, seen: each thing with when it was entered, why it has not come in, and what may be decided.
import { far, moment } from "./figures.js";
import { part } from "./dom.js";
import { entries } from "./store.js";

const AWAY = "Throw it away";

function made(name, said, classes = "") {
  const one = document.createElement(name);
  one.textContent = said;
  one.className = classes;
  return one;
}

const ROUNDS = { round: "Round begun", practice: "Practice begun" };

/** An entry in words. */
function words(sent, units) {
  if (sent.kind === "round") return `${ROUNDS[sent.outing]}${sent.competition ? " in Competition" : ""}`;
  if (sent.kind === "end") return "Round or practice ended";
  if (sent.kind === "slope") return "Slope read on a green";
  if (sent.kind === "speed") return `Speed ${sent.green_speed_ft.toFixed(1)} at ${sent.course}`;
  const length = sent.length_m ? far(sent.length_m, units) : "Putt";
  return `${length}, ${sent.holed ? "holed" : "missed"}${sent.hole ? `, hole ${sent.hole}` : ""}`;
}

function button(name, deed) {
  const one = made("button", name, "button button-small");
  one.setAttribute("type", "button");
  one.addEventListener("click", deed);
  return one;
}

function decided(from, entry, choice) {
  from.dispatchEvent(new CustomEvent("decided", { bubbles: true, detail: { entry, choice } }));
}

// Nothing is thrown away by one tap.
function thrownAway(entry) {
  const away = button(AWAY, () => {
    if (away.textContent === AWAY) away.textContent = "Sure? Throw it away";
    else decided(away, entry);
  });
  return away;
}

function row(entry, units) {
  const { sent, why, choices } = entry;
  const line = made("li", "", "border-t border-rule py-2");
  line.append(made("p", `${words(sent, units)} · ${moment(sent.at, Date.now())}`));
  if (!why) return line;
  line.append(made("p", why, "text-base font-semibold text-unsure"));
  const deeds = Object.entries(choices).map(([choice, name]) => button(name, () => decided(line, entry, choice)));
  const bar = made("p", "", "mt-1 flex flex-wrap gap-2");
  bar.append(...deeds, thrownAway(entry));
  line.append(bar);
  return line;
}

function head(count, signal, golfer) {
  if (!count) return "Nothing waits: all of it has come in.";
  const things = `${count} ${count === 1 ? "thing waits" : "things wait"} on this phone`;
  if (!golfer) return `${things} until you sign in.`;
  return signal ? `${things}.` : `${things} for a signal.`;
}

let shown = "";

/**
 * Show what waits.
 * @param {{id: number} | null} golfer
 * @param {boolean} signal
 * @param {{metric: boolean, degrees: boolean}} units
 */
export async function showQueue(golfer, signal, units) {
  const all = await entries();
  const own = all.filter(({ sent }) => sent.golfer === golfer?.id);
  const others = all.length - own.length;
  part("#queue-head").textContent = head(own.length || (golfer ? 0 : all.length), signal, golfer);
  part("#queue-others").textContent = golfer && others ? `${others} more of another golfer, until they sign in.` : "";
  part("#queue-count").textContent = own.length ? String(own.length) : "";
  // What has not changed stays as it is, under the finger.
  const now = JSON.stringify([own, units]);
  if (now === shown) return;
  shown = now;
  part("#queue").replaceChildren(...own.map((entry) => row(entry, units)));
}
