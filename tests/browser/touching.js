// What touches what in the drawings: labels and labels, inputs, paths, and the edge of the page.
const texts = [...document.querySelectorAll("main svg text")];
const boxes = texts.map((text) => text.getBoundingClientRect());
const inputs = [...document.querySelectorAll("#putt .box, #putt .choice")].map((e) => e.getBoundingClientRect());
const stage = document.getElementById("stage")?.getBoundingClientRect() ?? { bottom: -1 };
const slack = 5; // a line of text is taller than its letters
const over = (a, b) =>
  a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - slack && b.top < a.bottom - slack;
const inside = (p, box) =>
  p.x > box.left && p.x < box.right && p.y > box.top + slack && p.y < box.bottom - slack;
const found = new Set();

boxes.forEach((box, i) => {
  const words = texts[i].textContent;
  boxes.forEach((other, j) => {
    if (j > i && over(box, other)) found.add(`${words} / ${texts[j].textContent}`);
  });
  if (box.top < stage.bottom && inputs.some((input) => over(box, input))) found.add(`${words} under a box`);
  const sheet = texts[i].closest("svg").getBoundingClientRect();
  if (box.left < 0 || box.right > innerWidth) found.add(`${words} off the page`);
  if (box.left < sheet.left - 1 || box.right > sheet.right + 1) found.add(`${words} off its sheet`);
});
const parts = ["way", "own-way", "own-line", "aim-line", "fall-line", "speeds", "rails", "ground", "speed", "tape-ground", "now", "target",
  "walk", "putts", "holed", "three", "ring", "chosen", "hole-row", "straight-putt", "rolled", "start-line", "last-feet", "said", "worn", "sharp",
  "flagstick", "fingers-end", "plumb-line", "impression-line", "usual", "good", "starts", "meant",
  "was-way", "read-way", "line-way", "pace-way", "whole", "marks", "level", "placed", "placed-line", "drops", "ground"];
const lines = document.querySelectorAll(parts.map((name) => `[data-part=${name}]`).join());
for (const line of lines) {
  const toPage = line.getScreenCTM();
  const sheet = line.ownerSVGElement.getBoundingClientRect(); // what lies beyond is cut off, and not seen
  for (let s = 0; s < line.getTotalLength(); s += 3) {
    const point = line.getPointAtLength(s).matrixTransform(toPage);
    const seen = point.x >= sheet.left && point.x <= sheet.right && point.y >= sheet.top && point.y <= sheet.bottom;
    boxes.forEach((box, i) => {
      if (seen && inside(point, box)) found.add(`${texts[i].textContent} on a line`);
    });
  }
}
if (document.documentElement.scrollWidth > innerWidth) found.add("the page scrolls sideways");
return [...found];
