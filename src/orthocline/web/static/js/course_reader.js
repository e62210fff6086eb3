// Reads on the course: which green and pin, where the ball lies, what the call is.
import { field, part, parts } from "./dom.js";
import { CourseMap } from "./course_map.js";
import { far, farUnit, near, nearUnit, numberOf, side, slopeOf } from "./figures.js";
import { keep } from "./store.js";
import { pinRead, planeRead } from "./taken.js";

const CENTRE_M = 0.011;
const STEP_M = 0.25;
const STEPS = { ArrowLeft: [-STEP_M, 0], ArrowRight: [STEP_M, 0], ArrowUp: [0, STEP_M], ArrowDown: [0, -STEP_M] };

/** The call in three pieces, the middle one what the eye must catch, and the pace. */
function called(pack, read, units) {
  const pace = read.met ? pack.pace : "Softly: it will not stop past the hole.";
  if (Math.abs(read.aimRightM) < CENTRE_M) return ["Aim at ", "the centre", ".", pace];
  return ["Aim ", `${near(read.aimRightM, units)} ${side(read.aimRightM)}`, " of centre.", pace];
}

function option(value, words) {
  const made = document.createElement("option");
  made.value = String(value);
  made.textContent = words;
  return made;
}

/** What is read on the course. */
export class Reader {
  /**
   * @param {() => void} changed told whenever another putt is read
   * @param {() => void} moved told whenever another green or pin is chosen
   */
  constructor(changed, moved) {
    this.changed = changed;
    this.moved = moved;
    this.pack = null;
    this.ball = null;
    this.slope = { foot: null, toward: null };
    this.map = new CourseMap(part("#map"), (place) => this.tapped(place));
    this.listen();
  }

  listen() {
    const go = (greenId, pinIndex) => {
      this.choose(greenId, pinIndex);
      this.moved();
    };
    part("#green").addEventListener("change", () => go(Number(this.greens.value), 0));
    part("#pins").addEventListener("click", ({ target }) => {
      if (target instanceof HTMLButtonElement) go(this.green.id, Number(target.value));
    });
    part("#plane").addEventListener("input", () => this.draw());
    part("#reader").addEventListener("change", (event) => {
      if (event.target instanceof HTMLInputElement && event.target.name === "way") this.draw();
    });
    part("#map").addEventListener("keydown", (event) => {
      const step = STEPS[event.key];
      if (!step || !this.pin) return;
      event.preventDefault();
      this.nudged(step, event.shiftKey);
    });
  }

  get greens() {
    return /** @type {HTMLSelectElement} */ (part("#green"));
  }

  /** By which of the ways on the page: ``map``, ``plane`` or ``slope``. */
  get way() {
    return field("[name=way]:checked").value;
  }

  /**
   * Show another pack, on the green and the pin that were looked at last.
   * @param {object | null} pack
   * @param {{green?: number, pin?: number}} last
   */
  take(pack, last = {}) {
    this.pack = pack;
    part("#reader").hidden = !pack;
    if (!pack) return;
    this.greens.replaceChildren(...pack.greens.map((green) => option(green.id, green.name)));
    const known = pack.greens.some((green) => green.id === last.green);
    this.choose(known ? last.green : pack.greens[0].id, known ? (last.pin ?? 0) : 0);
  }

  choose(greenId, pinIndex) {
    this.green = this.pack.greens.find((green) => green.id === greenId);
    this.pin = this.green.pins[pinIndex] ?? this.green.pins[0];
    this.greens.value = String(greenId);
    this.ball = null;
    this.slope = { foot: null, toward: null };
    const chips = this.green.pins.map((pin, i) => {
      const chip = document.createElement("button");
      Object.assign(chip, { type: "button", value: String(i), textContent: pin.name });
      chip.setAttribute("aria-pressed", String(pin === this.pin));
      return chip;
    });
    part("#pins").replaceChildren(...chips);
    this.map.show(this.green.map);
    keep("looked", { green: greenId, pin: this.green.pins.indexOf(this.pin) });
    this.draw();
  }

  tapped(place) {
    if (this.way === "slope") {
      const { foot, toward } = this.slope;
      this.slope =
        foot && toward === null
          ? { foot, toward: Math.atan2(place[1] - foot[1], place[0] - foot[0]) }
          : { foot: place, toward: null };
    } else {
      this.ball = place;
    }
    this.draw();
  }

  // By keys what lies on the map moves; with Shift they say which way a slope falls.
  nudged([right, up], turns) {
    const { foot } = this.slope;
    const [x, y] = (this.way === "slope" ? foot : this.ball) ?? this.pin.at_m;
    if (this.way !== "slope") this.ball = [x + right, y + up];
    else if (turns && foot) this.slope = { foot, toward: Math.atan2(up, right) };
    else this.slope = { foot: [x + right, y + up], toward: null };
    this.draw();
  }

  /** Forget the putt that was read: it has been noted. */
  clear() {
    this.ball = null;
    this.slope = { foot: null, toward: null };
    for (const typed of ["plane-length", "plane-side", "plane-rise"]) field(`#${typed}`).value = "";
    this.draw();
  }

  planeTyped() {
    const { units } = this.pack;
    const number = (id) => numberOf(field(`#${id}`).value);
    const lengthM = number("plane-length") * farUnit(units).m;
    const right = field("[name=falls]:checked").value === "right";
    const up = field("[name=climbs]:checked").value === "up";
    const [tilt, rise] = [number("plane-side"), number("plane-rise")].map((one) => slopeOf(one, units));
    return { lengthM, side: right ? tilt : -tilt, rise: up ? rise : -rise };
  }

  /** The read of the putt that is on the page; null for none. */
  get read() {
    if (!this.pack || part("#reader").hidden || this.way === "slope") return null;
    if (this.way === "map") return this.ball && pinRead(this.pin, this.ball);
    const typed = this.planeTyped();
    return typed.lengthM > 0 ? planeRead(this.pack.planes, typed.lengthM, typed.side, typed.rise) : null;
  }

  /**
   * What an entry says of that read, and where it was; empty for none.
   * @returns {{course: string, green: string, read?: object}}
   */
  get told() {
    const { read, pack } = this;
    const place = { course: pack?.course ?? "", green: "" };
    if (!read) return place;
    const asked = { green_speed_ft: pack.green_speed_ft, past_m: pack.past_m, aim_right_m: read.aimRightM };
    if (this.way === "plane") {
      const { side: tilt, rise } = this.planeTyped();
      return { ...place, read: { by: "plane", side: tilt, rise, ...asked } };
    }
    const { id, mark, name } = this.green;
    const spots = { ball_m: this.ball, hole_m: this.pin.at_m };
    return { ...place, green: name, read: { by: "pin", green: id, mark, ...spots, ...asked } };
  }

  /** The slope that was read at a place, as an entry says it; null while something of it is missing. */
  get slopeTold() {
    const { foot, toward } = this.slope;
    const { value, dataset } = field("#slope-size");
    const slope = slopeOf(numberOf(value), this.pack.units);
    const right = value.trim() && slope >= 0 && slope <= Number(dataset.most);
    if (!foot || toward === null || !right) return null;
    const by = /** @type {HTMLSelectElement} */ (part("#slope-by")).value;
    const { id, mark } = this.green;
    return { green: id, mark, at_m: foot, toward_rad: toward, slope, by };
  }

  draw() {
    const { way, read } = this;
    for (const one of parts("[data-way]")) one.hidden = !one.dataset.way.split(" ").includes(way);
    if (way === "slope") this.map.slope(this.slope);
    else this.map.putt({ ball: this.ball, hole: this.pin.at_m, aimRightM: read?.aimRightM ?? null });
    this.say(read);
    this.changed();
  }

  say(read) {
    const pieces = read ? called(this.pack, read, this.pack.units) : [this.hint, "", "", ""];
    for (const [i, name] of ["lead", "spot", "tail", "pace"].entries()) part(`#call-${name}`).textContent = pieces[i];
    const { units } = this.pack;
    part("#plays").textContent = read
      ? `${far(read.lengthM, units)}, plays like ${far(read.playsM, units)}. 95 of 100 lie within ${this.within} of the solver's.`
      : "";
  }

  /** How near the solver's an aim of the pack is, rounded up. */
  get within() {
    const step = nearUnit(this.pack.units).m / 2;
    return near(step * Math.max(1, Math.ceil(this.pack.exactness.within_m / step)), this.pack.units);
  }

  get hint() {
    if (this.way === "slope") return this.slope.foot ? "Tap the way it falls." : "Tap where you read a slope.";
    if (this.way === "plane") return this.planeTyped().lengthM > 0 ? "Outside what was taken along." : "How long, and how does it tilt?";
    return this.ball ? "No read from there was taken along." : "Tap where your ball lies.";
  }
}
