// Whether a single key does something: they can be turned off.
export const singleKeys = () => document.documentElement.dataset.keys !== "off";
