// The map of a green that was taken along: the ball where it is tapped, its putt over it, or a slope that is read there.
import { spotOn } from "./dom.js";
import { aimSpot } from "./taken.js";

const SVG = "http://www.w3.org/2000/svg";
const ARROW_M = 1.6;
const CLEAR = 6;
const SPOTS = 40;

/** @typedef {{ball: number[] | null, hole: number[], aimRightM: number | null}} Putt */
/** @typedef {{foot: number[] | null, toward: number | null}} Slope */

function element(name, attributes) {
  const made = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, String(value));
  return made;
}

const line = (from, to, sign, more = {}) =>
  element("path", { d: `M${from.join(" ")}L${to.join(" ")}`, class: `line sign-${sign}`, "stroke-width": 2.4, ...more });

/** @type {(at: number[], r: number, kind: string, sign: string) => SVGElement} */
const disc = ([cx, cy], r, kind, sign) => element("circle", { cx, cy, r, class: `${kind} sign-${sign}`, "stroke-width": 2.2 });

/** @type {(at: number[], r: number) => SVGElement} */
const diamond = ([x, y], r) =>
  element("path", { d: `M${x} ${y - r}l${r} ${r} ${-r} ${r} ${-r} ${-r}Z`, class: "open sign-do", "stroke-width": 2.2 });

/** @type {(from: number[], to: number[]) => number[][]} */
const along = (from, to) =>
  Array.from({ length: SPOTS + 1 }, (_, i) => from.map((one, axis) => one + ((to[axis] - one) * i) / SPOTS));

/** The map in a part of the page. */
export class CourseMap {
  /**
   * @param {HTMLElement} room where it is shown
   * @param {(place: number[]) => void} tapped told a place of the green [m]
   */
  constructor(room, tapped) {
    this.room = room;
    room.addEventListener("click", (event) => {
      if (this.drawing) tapped(this.place(spotOn(event, this.drawing)));
    });
  }

  /** @param {string} drawing as it was taken along; empty for none */
  show(drawing) {
    this.room.innerHTML = drawing;
    this.drawing = this.room.querySelector("svg");
    if (!this.drawing) return;
    const { scale, holeX, holeY } = this.drawing.dataset;
    this.frame = { scale: Number(scale), x: Number(holeX), y: Number(holeY) };
    this.over = element("g", { "data-part": "over" });
    this.drawing.append(this.over);
    this.names = [...this.drawing.getElementsByTagName("text")];
  }

  /**
   * Names that a line runs through stand back.
   * @param {number[][]} ends on the sheet, of one line
   */
  clear(ends) {
    const spots = ends.length ? along(ends[0], ends[1]) : [];
    for (const name of this.names) {
      const { x, y, width, height } = name.getBBox();
      const within = ([a, b]) => a > x - CLEAR && a < x + width + CLEAR && b > y - CLEAR && b < y + height + CLEAR;
      name.classList.toggle("hidden", spots.some(within));
    }
  }

  place({ x, y }) {
    const { scale, x: left, y: foot } = this.frame;
    return [(x - left) / scale, (foot - y) / scale];
  }

  /** @param {number[]} place */
  spot([x, y]) {
    const { scale, x: left, y: foot } = this.frame;
    return [left + scale * x, foot - scale * y];
  }

  /** @param {Putt} putt */
  putt({ ball, hole, aimRightM }) {
    if (!this.over) return;
    const parts = [disc(this.spot(hole), 12, "line", "ink")];
    const ends = [this.spot(ball ?? hole), this.spot(hole)];
    if (ball) {
      parts.push(line(ends[0], ends[1], "ink", { "stroke-dasharray": "0.1 6" }));
      if (aimRightM !== null) {
        const aim = this.spot(aimSpot(ball, hole, aimRightM));
        parts.push(line(ends[0], aim, "do"), diamond(aim, 6));
      }
      parts.push(disc(ends[0], 8, "open", "ink"));
    }
    this.over.replaceChildren(...parts);
    this.clear(ball ? ends : []);
  }

  /** @param {Slope} slope */
  slope({ foot, toward }) {
    const parts = [];
    if (foot) {
      const at = this.spot(foot);
      if (toward !== null) {
        const tip = this.spot([foot[0] + ARROW_M * Math.cos(toward), foot[1] + ARROW_M * Math.sin(toward)]);
        parts.push(line(at, tip, "real", { "stroke-width": 3.2 }), disc(tip, 5, "solid", "real"));
      }
      parts.push(disc(at, 8, "open", "real"));
    }
    this.over.replaceChildren(...parts);
    this.clear([]);
  }
}
