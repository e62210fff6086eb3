// What the phone keeps: what was taken along and what it knows, and what was entered until it has come in.
import { openDB } from "./vendor/idb.js";
import { tellWaiting } from "./waiting.js";

const opened = openDB("orthocline", 1, {
  upgrade(made) {
    made.createObjectStore("entries", { keyPath: "seq", autoIncrement: true });
    made.createObjectStore("kept");
  },
});

export const kept = async (name) => (await opened).get("kept", name);
export const keep = async (name, value) => (await opened).put("kept", value, name);
export const forget = async (name) => (await opened).delete("kept", name);

/** All that waits, in the order in which it was entered. */
export const entries = async () => (await opened).getAll("entries");

const tell = async () => tellWaiting(await (await opened).count("entries"));

/**
 * Keep an entry, and with it what is played after it; once this is done both are on the phone's disk.
 * @param {object} sent what is to be sent
 * @param {object} playing
 */
export async function add(sent, playing) {
  tellWaiting(1);
  const writing = (await opened).transaction(["entries", "kept"], "readwrite", { durability: "strict" });
  writing.objectStore("entries").add({ sent, why: "", choices: {} });
  writing.objectStore("kept").put(playing, "playing");
  await writing.done;
  await tell();
}

/** Forget all of a golfer who leaves, but for what has not come in. */
export const leave = async () => (await opened).clear("kept");

/** @param {object} entry */
export async function change(entry) {
  await (await opened).put("entries", entry);
}

/** @param {number} seq */
export async function remove(seq) {
  await (await opened).delete("entries", seq);
  await tell();
}
