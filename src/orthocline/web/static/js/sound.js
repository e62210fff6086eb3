// Short tones on the Web Audio clock, exact to the sample; the same for a live and an offline context.
export const PITCH = { start: 440, top: 587, strike: 880, mark: 1175 };
const RISE = 0.002;
const LENGTH = 0.06;

export function tone(context, name, at) {
  const source = context.createOscillator();
  const level = context.createGain();
  source.frequency.value = PITCH[name];
  level.gain.setValueAtTime(0, at);
  level.gain.linearRampToValueAtTime(0.35, at + RISE);
  level.gain.linearRampToValueAtTime(0, at + LENGTH);
  source.connect(level).connect(context.destination);
  source.start(at);
  source.stop(at + LENGTH);
  return source;
}

// The sounds of a beat that are due from one time to another after its start, in order: [name, due].
export function due(beat, from, until) {
  const found = [];
  for (let cycle = Math.max(0, Math.floor(from / beat.period_s) - 1); cycle * beat.period_s < until; cycle++) {
    for (const [name, offset] of beat.sounds) {
      const at = cycle * beat.period_s + offset;
      if (at >= from && at < until) found.push([name, at]);
    }
  }
  return found;
}

// Schedule all of them on a context whose clock reads `start` as the beat starts.
export function schedule(context, beat, start, from, until) {
  for (const [name, at] of due(beat, from, until)) tone(context, name, start + at);
}
