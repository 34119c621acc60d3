/** What stands in for the network: the API's client takes `fetch` and `Request` once, when it is loaded. */
export const network = {
  answer: (request: Request): Promise<Response> => {
    throw new TypeError(`Nothing answers ${request.url}.`);
  },
};

let standsIn = false;

/** Before any module of the app is loaded, and once: files share their modules. */
export function standIn() {
  if (standsIn) return;
  standsIn = true;
  const Native = globalThis.Request;
  globalThis.fetch = function (this: unknown, input) {
    // As a browser has it: called as a method of something else it refuses.
    if (this !== undefined && this !== globalThis) throw new TypeError("Illegal invocation");
    return network.answer(input as Request);
  };
  // A page has an address to which others are relative; Node has none, and knows no signal but its own.
  globalThis.Request = class extends Native {
    constructor(input: RequestInfo | URL, init: RequestInit = {}) {
      super(typeof input === "string" ? new URL(input, "http://cumbre.test") : input, { ...init, signal: null });
    }
  };
}
