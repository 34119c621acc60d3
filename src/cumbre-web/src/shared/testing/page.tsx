import { ThemeProvider } from "@mui/material/styles";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import { createMemoryRouter, Outlet, RouterProvider } from "react-router";
import type { Explanation, Me } from "../api/types";
import { AskOnLeaving } from "../drafts/Saving";
import { theme } from "../ui/theme";
import { WhyProvider } from "../why/WhyContext";
import type { ServerMessage } from "../../words/server";
import { network } from "./server";

/** An answer that says no, as the server writes it. */
export class Refusal {
  readonly body: {
    message: ServerMessage;
    errors?: { path: string; message: ServerMessage }[];
    current?: unknown;
  };

  constructor(
    readonly status: number,
    code: string,
    args: object = {},
    more: { at?: string; current?: unknown } = {},
  ) {
    const message = { code, args };
    this.body = { message, current: more.current };
    if (more.at !== undefined) this.body.errors = [{ path: more.at, message }];
  }

  /** A field that is refused. */
  static at(path: string, code: string, args: object = {}) {
    return new Refusal(400, code, args, { at: path });
  }
}

/**
 * What a stand-in server answers at "GET /api/athletes/a": a body, or a function of what was sent, which may take its time.
 * A part ":any" stands for whatever the page makes there; "lost" is an answer that never comes. Anything else is not found.
 */
export type Answers = Record<string, unknown>;

interface Sent {
  /** Method and path with its query. */
  to: string;
  body: unknown;
}

export const me: Me = {
  needsOwner: false,
  demo: true,
  today: "2026-03-16",
  club: "Cochera 9",
  clubUnit: "Kg",
  clubFirstDay: null,
  gauge: "Simulated",
  csrfToken: "t",
  account: {
    id: "c",
    name: "Coach",
    role: "owner",
    unit: "Kg",
    habits: { locale: null, hours: null, firstDay: null },
    athleteId: null,
    someOnly: false,
    wards: [],
  },
};

/** An explanation that only names its rule. */
export const bareWhy = (id: Explanation["rule"]["id"]): Explanation => ({
  rule: { id, args: [] },
  inputs: [],
  working: [],
  rounding: [],
  sources: [],
  cautions: [],
  exposures: [],
  thresholds: [],
});

/** A page at its address, over a stand-in server. Links lead to a page that says where they led. */
export function show(page: React.ReactNode, { path, at, answers }: { path: string; at: string; answers: Answers }) {
  const sent: Sent[] = [];
  const all: Answers = { "GET /api/me": me, ...answers };
  network.answer = async (request) => {
    const { pathname, search } = new URL(request.url);
    const text = await request.text();
    const body: unknown = text ? JSON.parse(text) : undefined;
    sent.push({ to: `${request.method} ${pathname}${search}`, body });
    const asked = `${request.method} ${pathname}`.split("/");
    const fits = (key: string) =>
      key.split("/").length === asked.length && key.split("/").every((k, i) => k === ":any" || k === asked[i]);
    const known = all[Object.keys(all).find(fits) ?? ""];
    const answer: unknown = typeof known === "function" ? await (known as (body: unknown) => unknown)(body) : known;
    if (answer === "lost") throw new TypeError("network");
    const no = answer === undefined ? new Refusal(404, "noAddress") : answer;
    return no instanceof Refusal
      ? Response.json(no.body, { status: no.status, headers: { "Content-Type": "application/problem+json" } })
      : Response.json(answer);
  };
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 5_000 } } });
  queries.setQueryData(["me"], all["GET /api/me"]);
  const router = createMemoryRouter(
    [
      {
        element: (
          <>
            <AskOnLeaving />
            <Outlet />
          </>
        ),
        children: [
          { path, element: page },
          { path: "*", element: <Elsewhere /> },
        ],
      },
    ],
    { initialEntries: [at] },
  );
  render(
    <QueryClientProvider client={queries}>
      <ThemeProvider theme={theme}>
        <WhyProvider>
          <RouterProvider router={router} />
        </WhyProvider>
      </ThemeProvider>
    </QueryClientProvider>,
  );
  return {
    sent,
    /** What was sent to this method and path. */
    to: (start: string) => sent.filter((s) => s.to.startsWith(start)).map((s) => s.body),
    address: () => router.state.location.pathname + router.state.location.search,
  };
}

function Elsewhere() {
  return <p>elsewhere</p>;
}
