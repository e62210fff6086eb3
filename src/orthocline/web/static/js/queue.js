// What was entered goes to the server in its order, each thing until it has come in; then it leaves the phone.
import { add, change, entries, remove } from "./store.js";

const PATIENCE_MS = 15000;
const LOCK = "orthocline-queue";

/** Says ``queue`` whenever what waits has changed. */
export const changes = new EventTarget();
const changed = () => changes.dispatchEvent(new Event("queue"));

/** A key that no other phone makes, also where the browser has none of its own. */
export const newKey = () =>
  "10000000-1000-4000-8000-100000000000".replace(/[018]/g, (one) =>
    (Number(one) ^ (crypto.getRandomValues(new Uint8Array(1))[0] & (15 >> (Number(one) / 4)))).toString(16),
  );

/**
 * Keep what a golfer entered, and with it what is played after it.
 * @param {{id: string, golfer: number, kind: string}} members
 * @param {object} playing
 */
export async function enter(members, playing) {
  await add({ at: new Date().toISOString(), ...members }, playing);
  changed();
}

/**
 * Do something with what waits while nothing of it is on its way, from this tab or another.
 * @param {() => Promise<any>} deed
 * @returns {Promise<any>}
 */
const alone = (deed) => (navigator.locks ? navigator.locks.request(LOCK, deed) : deed());

/**
 * Decide what becomes of an entry that was asked about; without a choice it is thrown away.
 * @param {{seq: number, sent: {decided?: string[]}}} entry
 * @param {string} [choice]
 */
export async function decide(entry, choice) {
  const decided = [...(entry.sent.decided ?? []), choice];
  const kept = { ...entry, sent: { ...entry.sent, decided }, why: "", choices: {} };
  await alone(() => (choice ? change(kept) : remove(entry.seq)));
  changed();
}

/**
 * Take back what was entered under a key; return whether it had not been sent.
 * @param {string} id
 */
export async function takeBack(id) {
  const was = await alone(async () => {
    const waiting = (await entries()).find(({ sent: { id: key } }) => key === id);
    if (waiting) await remove(waiting.seq);
    return Boolean(waiting);
  });
  changed();
  return was;
}

// An answer of the server, null where none comes.
async function ask(path, more = {}) {
  try {
    return await fetch(path, { cache: "no-store", signal: AbortSignal.timeout(PATIENCE_MS), ...more });
  } catch {
    return null;
  }
}

/** What the server says of who asks; null without a signal. */
export async function state() {
  const answer = await ask("/course/state");
  return answer?.ok ? answer.json() : null;
}

const post = (entry, token) =>
  ask("/course/entries", {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-CSRFToken": token },
    body: JSON.stringify(entry.sent),
  });

// Whether the next one may go: not where nothing answers, or the server asks to wait.
async function sent(entry, token) {
  const answer = await post(entry, token);
  if (answer?.ok) {
    await remove(entry.seq);
    return true;
  }
  if (!answer || answer.status >= 500 || [401, 429].includes(answer.status)) return false;
  const told = await answer.json().catch(() => null);
  // A page instead of an answer: what the phone knows of who is signed in is old.
  if (!told) return false;
  await change({ ...entry, why: told.message, choices: told.choices ?? {} });
  return true;
}

async function all(token, golfer) {
  for (const entry of await entries()) {
    if (entry.sent.golfer !== golfer) continue;
    const goesOn = await sent(entry, token);
    changed();
    if (!goesOn) return;
  }
}

/**
 * Send what waits; of several tabs one after another.
 * @param {{token?: string, golfer: {id: number} | null}} known
 */
export async function send(known) {
  if (!known.golfer) return;
  await alone(() => all(known.token, known.golfer.id));
  changed();
}
