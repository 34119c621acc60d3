import createClient from "openapi-fetch";
import type { paths } from "./schema";
import { say } from "../../words/api";
import { type ServerMessage, told } from "../../words/server";

/** A field of a request and what is wrong with it. */
export interface FieldError {
  path: string;
  message: string;
}

interface Body {
  type?: string;
  message?: ServerMessage;
  errors?: { path: string; message: ServerMessage }[];
  current?: unknown;
}

/** An answer of the server that says no: RFC 9457 problem details. */
export class Problem extends Error {
  readonly status: number;
  readonly type: string;
  /** The message that it was answered with; empty where there was none. */
  readonly code: string;
  readonly fields: FieldError[];
  readonly current: unknown;

  /** `text` is for what the interface itself has to say. */
  constructor(status: number, body: Body = {}, text?: string) {
    super(text ?? (body.message ? told(body.message) : say("theServerDidNotAnswerAsExpected")));
    this.status = status;
    this.type = body.type ?? "";
    this.code = body.message?.code ?? "";
    this.fields = (body.errors ?? []).map(({ path, message }) => ({
      path,
      message: told(message),
    }));
    this.current = body.current;
  }

  /** Somebody else wrote first; `current` holds what is stored now. */
  get isConflict() {
    return this.status === 409;
  }

  /** The server read it and says no; everything else (no answer, its own fault, signed out, too many) is worth another try. */
  get isRefusal() {
    return this.status >= 400 && this.status < 500 && ![401, 403, 408, 429].includes(this.status);
  }

  fieldMessage(path: string) {
    return this.fields.find((f) => f.path === path)?.message;
  }
}

/** Nobody answered at all, which the notice over every page tells. */
export const isNoAnswer = (error: unknown) => error instanceof Problem && error.status === 0;

let csrfToken = "";

export function rememberCsrf(token: string) {
  csrfToken = token;
}

let nobodyAnswers = () => {};

/** Who is told when no answer comes at all. */
export function onNoAnswer(listener: () => void) {
  nobodyAnswers = listener;
}

let signInEnded = () => {};
let hasEnded = false;
let isLeaving = false;

/** Who is told when the server no longer knows who asks: a sign-in has ended, here or elsewhere. */
export function onSignInEnded(listener: () => void) {
  signInEnded = listener;
}

/** Has a sign-in ended while a page was open, and nobody signed in since? */
export const signInHasEnded = () => hasEnded;

/** Somebody signs out: answers to what was still asked are no surprise. */
export function leave() {
  isLeaving = true;
}

/** Somebody has signed in. */
export function arrive() {
  hasEnded = false;
  isLeaving = false;
}

const client = createClient<paths>({ baseUrl: "/" });

const tokenRefused = "urn:cumbre:csrf";
/** Of what was written, to be sent again should the token be of another time. */
const copies = new WeakMap<Request, Request>();

client.use({
  onRequest({ request }) {
    if (request.method === "GET") return request;
    request.headers.set("X-Csrf-Token", csrfToken);
    copies.set(request, request.clone());
    return request;
  },
  /** A page that was opened without a signal has no token, and another sign-in on this device has another one. */
  async onResponse({ request, response, options }) {
    const copy = copies.get(request);
    if (!copy || response.ok || !(await isTokenRefused(response))) return undefined;
    // Called by itself: a browser's own fetch belongs to no other object.
    const { fetch } = options;
    const me = await fetch(new Request("/api/me", { headers: { Accept: "application/json" } }));
    if (!me.ok) return undefined;
    rememberCsrf(((await me.json()) as { csrfToken: string }).csrfToken);
    copy.headers.set("X-Csrf-Token", csrfToken);
    return fetch(copy);
  },
});

async function isTokenRefused(response: Response) {
  try {
    return ((await response.clone().json()) as Body | null)?.type === tokenRefused;
  } catch {
    return false;
  }
}

export const api = client;

const signInFirst = 401;

/** Unwraps an answer: the data, or a thrown `Problem`. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let answer: Awaited<typeof call>;
  try {
    answer = await call;
  } catch (e) {
    if (e instanceof DOMException && e.name === "AbortError") throw e;
    nobodyAnswers();
    throw new Problem(0, {}, say("theServerCannotBeReachedWhatYou"));
  }
  if (answer.response.status === signInFirst && !isLeaving) {
    hasEnded = true;
    signInEnded();
  }
  if (!answer.response.ok) throw new Problem(answer.response.status, toBody(answer.error));
  return answer.data as T;
}

function toBody(error: unknown) {
  return typeof error === "object" && error !== null ? error : {};
}
