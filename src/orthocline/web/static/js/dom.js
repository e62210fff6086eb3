// What is looked up in a page, by the kind of thing that it is.

/** @type {(selector: string) => HTMLElement | null} */
export const part = (selector) => document.querySelector(selector);
/** @type {(selector: string) => HTMLElement[]} */
export const parts = (selector) => [...document.querySelectorAll(selector)].filter((one) => one instanceof HTMLElement);
/** @type {(selector: string) => HTMLInputElement[]} */
export const fields = (selector) => [...document.querySelectorAll(selector)].filter((one) => one instanceof HTMLInputElement);
/** @type {(selector: string) => HTMLInputElement | undefined} */
export const field = (selector) => fields(selector)[0];
/** @type {(selector: string) => SVGSVGElement | null} */
export const drawn = (selector) => document.querySelector(selector);

/**
 * Where a pointer stands on a drawing, in its own units.
 * @param {{clientX: number, clientY: number}} pointer
 * @param {SVGSVGElement} drawing
 */
export const spotOn = (pointer, drawing) =>
  new DOMPoint(pointer.clientX, pointer.clientY).matrixTransform(drawing.getScreenCTM().inverse());

/**
 * The part of the page around what an event is about that fits a selector; null for none.
 * @param {Event} event
 * @param {string} selector
 * @returns {HTMLElement | null}
 */
export const around = (event, selector) => (event.target instanceof Element ? event.target.closest(selector) : null);
