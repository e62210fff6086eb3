// On the course, with a signal or without: read by what was taken along, note putts, see what waits to be sent.
import { clock, far, farUnit, moment, ago, daysAgo, nearUnit, slopeUnit } from "./figures.js";
import { field, part, parts } from "./dom.js";
import { changes, decide, enter, newKey, send, state, takeBack } from "./queue.js";
import { emptied, finish, mostOf, turnTyped, typed } from "./course_form.js";
import { showQueue } from "./course_queue.js";
import { Reader } from "./course_reader.js";
import { entries, forget, keep, kept } from "./store.js";
import { firstTurn, following } from "./turns.js";

const EVERY_MS = 5000;
const SELDOM = 6;
const USUAL_UNITS = { metric: false, degrees: false };

const known = { state: null, round: null, turn: firstTurn(false), competitionUntil: null, signal: false, out: false, undo: null };
const reader = new Reader(() => showLength(), () => otherGreen());

const units = () => known.state?.units ?? USUAL_UNITS;
const golfer = () => known.state?.golfer ?? null;
const inCompetition = () => known.competitionUntil !== null && Date.now() < new Date(known.competitionUntil).getTime();

function show(id, words) {
  part(id).textContent = words;
}

function showAge() {
  const now = Date.now();
  const { pack } = reader;
  const old = Boolean(pack) && daysAgo(pack.made_at, now) > 0;
  part("#age").className = old ? "font-semibold text-unsure" : "text-base text-quiet";
  show("#exact", pack?.exactness.words ?? "");
  if (!pack) {
    show("#age", golfer() ? "Nothing is taken along on this phone." : "");
    return;
  }
  const head = `${pack.course}, speed ${pack.green_speed_ft.toFixed(1)}, ${moment(pack.made_at, now)}`;
  const since = `${head} (${ago(pack.made_at, now)}).`;
  show("#age", old ? `Not from today: ${since} Speed, pins and greens may have changed since.` : since);
}

const courseHere = () => known.round?.course || reader.pack?.course || "";

function showRound() {
  const { round } = known;
  // What is being typed stays.
  if (!part("#speed-fold").hasAttribute("open")) field("#speed-course").value ||= courseHere();
  part("#begin").hidden = Boolean(round);
  part("#going").hidden = !round;
  const what = round?.kind === "practice" ? "Practice" : "Round";
  if (round) show("#going-words", `${what}${round.course ? `, ${round.course}` : ""}${round.competition ? ", in Competition" : ""}.`);
}

// Only where another putt comes next: what is being typed stays.
function showTurn() {
  const { turn } = known;
  field("#hole").value = turn.hole === null ? "" : String(turn.hole);
  field("#number").value = String(turn.number);
}

function showLength() {
  const { read } = reader;
  if (read) field("#length").value = far(read.lengthM, units()).split(" ")[0];
}

function showWho() {
  const off = inCompetition();
  part("#off").hidden = !off;
  part("#reader").hidden = off || !reader.pack;
  part("#speed-fold").hidden = off;
  part("#nobody").hidden = Boolean(golfer());
  show("#whose", golfer() ? `${golfer().name}'s.` : "");
  part("#out").hidden = !known.out;
  part("#work").hidden = !golfer();
  for (const one of parts("[data-far]")) one.textContent = farUnit(units()).name;
  for (const one of parts("[data-near]")) one.textContent = nearUnit(units()).name;
  for (const one of parts("[data-slope]")) one.textContent = slopeUnit(units());
  document.documentElement.classList.toggle("sun", Boolean(known.state?.sun));
}

function showCards() {
  const cards = reader.pack?.cards ?? [];
  part("#cards-fold").hidden = !cards.length;
  part("#cards").innerHTML = cards.map((card) => card.svg).join("");
}

// Another green, or another pin, is another first putt, unless a round says which it is.
function otherGreen() {
  if (known.round?.kind === "round") return;
  known.turn = firstTurn(false);
  showTurn();
}

async function showAll() {
  showWho();
  showAge();
  showRound();
  show("#signal", known.signal ? "Signal" : "No signal");
  await showQueue(golfer(), known.signal, units());
}

const midnight = () => new Date(new Date().setHours(24, 0, 0, 0)).toISOString();

// The round that goes on, and the mode, as the server has them.
function takeRound(told) {
  known.competitionUntil = told.competition_until ?? null;
  const going = told.round;
  if (going?.id !== known.round?.id) {
    known.round = going && { id: going.id, kind: going.kind, course: going.course, competition: going.competition };
    const turn = firstTurn(going?.kind === "round");
    known.turn = going ? { hole: going.hole, number: going.number, visit: going.visit ?? turn.visit } : turn;
    showTurn();
  }
}

async function takeState(told) {
  // A session that ended leaves the phone the golfer's: only who signs out there takes all along.
  known.out = !told.golfer && Boolean(golfer());
  if (known.out) return;
  known.state = told;
  await keep("state", told);
  const waits = (await entries()).some(({ sent }) => ["round", "end"].includes(sent.kind));
  // What the phone began or ended itself holds until it has come in.
  if (waits) return;
  takeRound(told);
  await keep("playing", playing());
}

const playing = () => ({ round: known.round, turn: known.turn, competitionUntil: known.competitionUntil });

async function takePack(told) {
  const here = await kept("pack");
  if (here && told.golfer && here.pack.golfer !== told.golfer.id) await forget("pack");
  const wanted = told.pack;
  if (!wanted || (here && here.job === wanted && here.pack.golfer === told.golfer.id)) return;
  const answer = await fetch(`/jobs/${wanted}/result`).catch(() => null);
  if (answer?.ok) await keep("pack", { job: wanted, pack: await answer.json() });
}

async function showPack() {
  const here = await kept("pack");
  const own = here && golfer() && here.pack.golfer === golfer().id ? here.pack : null;
  if (own?.made_at === reader.pack?.made_at) return;
  reader.take(own, await kept("looked"));
  showCards();
}

let busy = false;
async function refresh() {
  if (busy) return;
  busy = true;
  try {
    const told = await state();
    known.signal = told !== null;
    if (told) {
      await takeState(told);
      await send(told);
      await takePack(told);
    }
    await showPack();
    await showAll();
  } finally {
    busy = false;
  }
}

// Keep what was entered, with what is played after it; then the page goes on, and waits for no signal.
async function entered(members, after = {}) {
  const id = members.id ?? newKey();
  await enter({ ...members, id, golfer: golfer().id }, { ...playing(), ...after });
  Object.assign(known, after);
  showTurn();
  await showAll();
  refresh();
  return id;
}

// The putt on the page, as an entry says it.
function putt(holed) {
  const { round } = known;
  const told = reader.told;
  // Nought is no length: as if none were typed.
  const length = reader.read?.lengthM ?? (typed("#length", { per: farUnit(units()).m }) || null);
  return {
    kind: "putt",
    ...told,
    // A read was on the pack's course, whatever round goes on.
    course: told.read ? told.course : round?.course || told.course,
    length_m: length,
    holed,
    finish_m: holed ? null : finish(nearUnit(units()).m),
    note: field("#note").value,
    ...known.turn,
    ...turnTyped(),
    outing: round?.id ?? null,
  };
}

function say(words) {
  show("#noted", words);
  part("#noted-box").hidden = false;
}

async function note(holed) {
  const members = putt(holed);
  const before = { ...known.turn, ...turnTyped() };
  const id = await entered(members, { turn: following(before, holed, mostOf()) });
  known.undo = { id, turn: before };
  const length = members.length_m ? far(members.length_m, units()) : "a putt";
  say(`Noted ${clock(Date.now())}: ${length}, ${holed ? "holed" : "missed"}.`);
  emptied("#length", "#along", "#across", "#note");
  if (reader.pack) reader.clear();
}

async function begin(kind, competition) {
  const course = field("#course-name").value.trim() || courseHere();
  const round = { id: newKey(), kind, course, competition };
  const competitionUntil = competition ? midnight() : known.competitionUntil;
  const after = { round, turn: firstTurn(kind === "round"), competitionUntil };
  emptied("#length");
  await entered({ id: round.id, kind: "round", outing: kind, course, competition }, after);
}

async function end() {
  const { round } = known;
  const competitionUntil = round.competition ? null : known.competitionUntil;
  await entered({ kind: "end", outing: round.id }, { round: null, turn: firstTurn(false), competitionUntil });
}

async function keepSlope() {
  const told = reader.slopeTold;
  show("#slope-message", told ? "" : "Tap its place and the way it falls, and type how much: up to a quarter.");
  if (!told) return;
  known.undo = { id: await entered({ kind: "slope", ...told }), turn: known.turn };
  say(`Slope kept ${clock(Date.now())}.`);
  emptied("#slope-size");
  reader.clear();
}

async function keepSpeed() {
  const course = field("#speed-course").value.trim();
  const speed = typed("#speed");
  show("#speed-course-message", course ? "" : "Which course posts it?");
  if (speed === null) show("#speed-message", "How fast?");
  if (!course || speed === null) return;
  known.undo = { id: await entered({ kind: "speed", course, green_speed_ft: speed }), turn: known.turn };
  say(`Speed ${speed.toFixed(1)} kept ${clock(Date.now())}.`);
  emptied("#speed");
}

async function undo() {
  const { id, turn } = known.undo;
  const was = await takeBack(id);
  show("#noted", was ? "Taken back." : "It has been sent: change it in the log.");
  if (was) {
    known.turn = turn;
    showTurn();
    await keep("playing", playing());
  }
  await showAll();
}

const DEEDS = {
  holed: () => note(true),
  missed: () => note(false),
  round: () => begin("round", false),
  competition: () => begin("round", true),
  practice: () => begin("practice", false),
  end,
  slope: keepSlope,
  speed: keepSpeed,
  undo,
  send: refresh,
};

// What the phone knew comes first: nothing that is learnt meanwhile is overwritten by it.
known.state = (await kept("state")) ?? null;
Object.assign(known, (await kept("playing")) ?? {});
await showPack();
showTurn();
await showAll();
part("#course").classList.remove("invisible");

document.addEventListener("click", async ({ target }) => {
  const button = target instanceof Element ? target.closest("button[data-does]") : null;
  if (!(button instanceof HTMLButtonElement)) return;
  button.disabled = true;
  try {
    await DEEDS[button.dataset.does]();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
  } finally {
    button.disabled = false;
  }
});

document.addEventListener("decided", async (event) => {
  const { entry, choice } = /** @type {CustomEvent} */ (event).detail;
  await decide(entry, choice);
  await refresh();
});
changes.addEventListener("queue", () => showQueue(golfer(), known.signal, units()));
addEventListener("online", refresh);
addEventListener("offline", refresh);
addEventListener("pageshow", refresh);
document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && refresh());
let ticks = 0;
setInterval(() => {
  ticks += 1;
  // A signal that is there needs no asking often.
  if (!known.signal || ticks % SELDOM === 0) refresh();
}, EVERY_MS);

// Whether the page opens without a signal is said: nobody finds out by leaving.
async function install() {
  if (!("serviceWorker" in navigator)) {
    show("#ready", "Here this page opens with a signal alone: a phone keeps it only where it comes over TLS.");
    return;
  }
  await navigator.serviceWorker.register("/service-worker.js");
  await navigator.serviceWorker.ready;
  await navigator.storage?.persist?.();
  show("#ready", "This page opens without a signal.");
}

install().catch(() => show("#ready", "This browser does not keep the page: it opens with a signal alone."));
await refresh();
