import {
  hashKey,
  keepPreviousData,
  queryOptions,
  useMutation,
  useQueryClient,
  type QueryClient,
} from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { api, ask, Problem } from "../api/client";
import type { Block } from "../api/types";
import { useQueryCalmly } from "../ui/useQueryCalmly";
import { useSettled } from "../ui/useSettled";
import { changedSessions } from "./doc";

export const programmesQuery = queryOptions({
  queryKey: ["block", "programmes"],
  queryFn: ({ signal }) => ask(api.GET("/api/programmes", { signal })),
});

export const blockQuery = (athleteId: string, blockId: string) =>
  queryOptions({
    queryKey: ["block", "stored", blockId],
    queryFn: async ({ signal, client }) => {
      await savesUnderWay(client);
      return ask(
        api.GET("/api/athletes/{athleteId}/blocks/{blockId}", { params: { path: { athleteId, blockId } }, signal }),
      );
    },
    // The editor holds the newest state; a fetch behind its back would only be in its way.
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    gcTime: 0,
  });

export const blocksQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["block", "list", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/blocks", { params: { path: { athleteId } }, signal })),
  });

export const movementsQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["block", "movements", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/movements", { params: { path: { athleteId } }, signal })),
    staleTime: 60_000,
  });

export const substitutesQuery = (athleteId: string, movement: string) =>
  queryOptions({
    queryKey: ["block", "substitutes", athleteId, movement],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/substitutes", {
          params: { path: { athleteId }, query: { movement } },
          signal,
        }),
      ),
  });

export const helpQuery = queryOptions({
  queryKey: ["notation", "help"],
  queryFn: ({ signal }) => ask(api.GET("/api/notation", { signal })),
  staleTime: Infinity,
});

export const templatesQuery = queryOptions({
  queryKey: ["block", "templates"],
  queryFn: ({ signal }) => ask(api.GET("/api/templates", { signal })),
});

/** A key stroke waits so long for the next one. */
const strokeMilliseconds = 120;

/** A block as it is stored. */
export interface StoredBlock {
  id: string;
  version: number;
  block: Block;
}

async function readBlock(
  athleteId: string,
  session: string | null,
  block: Block,
  stored: StoredBlock,
  signal: AbortSignal,
) {
  const query = session ? { session } : {};
  const changed = changedSessions(block, stored.block);
  if (changed)
    try {
      return await ask(
        api.POST("/api/athletes/{athleteId}/blocks/{blockId}/reading", {
          params: { path: { athleteId, blockId: stored.id }, query },
          body: { version: stored.version, sessions: changed },
          signal,
        }),
      );
    } catch (e) {
      if (!(e instanceof Problem && (e.isConflict || e.status === 404))) throw e;
    }
  return ask(
    api.POST("/api/athletes/{athleteId}/blocks/reading", {
      params: { path: { athleteId }, query },
      body: block,
      signal,
    }),
  );
}

/**
 * What the block means as it is typed; the last answer stays until the next is there, and an older question is given up. Only the
 * sessions that are not as stored go up; the whole block where more than sessions changed, or another version is stored.
 */
export function useReading(athleteId: string, session: string | null, block: Block, stored: StoredBlock) {
  const typed = useSettled(block, strokeMilliseconds);
  const queryKey = useMemo(() => ["block", "reading", athleteId, session, typed], [athleteId, session, typed]);
  const asked = useMemo(() => hashKey(queryKey), [queryKey]);
  const reading = useQueryCalmly({
    queryKey,
    queryFn: async ({ signal }) => ({ asked, answer: await readBlock(athleteId, session, typed, stored, signal) }),
    placeholderData: keepPreviousData,
    // Tests and body masses change the answer too: none is kept for later.
    gcTime: 0,
    retry: false,
  });
  // While nobody answers, what was read last stays: names do not turn to slugs.
  const [good, setGood] = useState(reading.data);
  if (reading.data && reading.data !== good) setGood(reading.data);
  // The answer of the question before may still be shown when the next one is asked.
  return {
    data: (reading.data ?? good)?.answer,
    error: reading.error,
    stale: typed !== block || reading.data?.asked !== asked,
  };
}

const saveKey = ["block", "save"];

/** Until every block that is being saved is stored or refused: a page that was left sends what waited, and the next one reads. */
export function savesUnderWay(client: QueryClient): Promise<void> {
  const busy = () => client.isMutating({ mutationKey: saveKey }) > 0;
  if (!busy()) return Promise.resolve();
  return new Promise((resolve) => {
    const stop = client.getMutationCache().subscribe(() => {
      if (busy()) return;
      stop();
      resolve();
    });
  });
}

export function useSaveBlock(athleteId: string, blockId: string) {
  return useMutation({
    mutationKey: saveKey,
    mutationFn: ({ block, version }: { block: Block; version: number }) =>
      ask(
        api.PUT("/api/athletes/{athleteId}/blocks/{blockId}", {
          params: { path: { athleteId, blockId } },
          body: { block, version },
        }),
      ),
  });
}

export function useForgetBlocks() {
  const queries = useQueryClient();
  return () =>
    queries.invalidateQueries({
      predicate: (q) =>
        ["desk", "lift", "session"].includes(String(q.queryKey[0])) ||
        (q.queryKey[0] === "block" && ["programmes", "list", "templates", "groups"].includes(String(q.queryKey[1]))),
    });
}
