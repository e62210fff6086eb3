// What ships beside our scripts and has no types of its own.
type HtmxEvent = CustomEvent<{
  elt: HTMLElement;
  target: HTMLElement;
  xhr: XMLHttpRequest;
  parameters: Record<string, string>;
}>;

interface HTMLElementEventMap {
  "htmx:configRequest": HtmxEvent;
  "htmx:beforeRequest": HtmxEvent;
  "htmx:afterRequest": HtmxEvent;
  "htmx:beforeSwap": HtmxEvent;
  "htmx:afterSwap": HtmxEvent;
  "htmx:afterSettle": HtmxEvent;
}

declare const htmx: {
  ajax(method: string, path: string, context: object): Promise<void>;
  trigger(element: Element, name: string): void;
};

declare const Idiomorph: { defaults: { callbacks: { beforeNodeMorphed: (old: Node, now: Node) => boolean } } };
