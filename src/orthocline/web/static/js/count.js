// The silent count: one tap at the strike, one when the beat is thought over. Between them nothing shows or sounds.
import { field, part } from "./dom.js";
import { twoTaps } from "./taps.js";

const button = part("#count");
const said = button?.querySelector("span");

function begin() {
  said.textContent = said.dataset.on;
  return true;
}

function end(seconds) {
  const late = seconds - Number(button.dataset.beat);
  const off = field("#off");
  off.value = `${Math.abs(late).toFixed(3)} s ${late < 0 ? "early" : "late"}`;
  off.form.requestSubmit();
}

twoTaps(button, begin, end);
