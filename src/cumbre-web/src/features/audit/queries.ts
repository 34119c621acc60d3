import { infiniteQueryOptions } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { AuditEntry } from "../../shared/api/types";

export interface AuditPage {
  entries: AuditEntry[];
  older: boolean;
}

export interface AuditFilter {
  athlete: string;
  account: string;
  kinds: string | undefined;
  from: string;
  until: string;
}

/** Goes on below the last entry of the page before. */
const next = (page: AuditPage) => (page.older ? page.entries[page.entries.length - 1]?.seq : undefined);

const given = (text: string) => text || undefined;

export const auditQuery = (filter: AuditFilter) =>
  infiniteQueryOptions({
    queryKey: ["audit", filter],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ signal, pageParam }): Promise<AuditPage> =>
      ask(
        api.GET("/api/audit", {
          params: {
            query: {
              athlete: given(filter.athlete),
              account: given(filter.account),
              kinds: filter.kinds,
              from: given(filter.from),
              until: given(filter.until),
              below: pageParam,
            },
          },
          signal,
        }),
      ),
    getNextPageParam: next,
  });

export const athleteAuditQuery = (athleteId: string) =>
  infiniteQueryOptions({
    queryKey: ["audit", "of", athleteId],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ signal, pageParam }): Promise<AuditPage> =>
      ask(
        api.GET("/api/athletes/{athleteId}/audit", {
          params: { path: { athleteId }, query: { below: pageParam } },
          signal,
        }),
      ),
    getNextPageParam: next,
  });
