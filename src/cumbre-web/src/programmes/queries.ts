import {
  keepPreviousData,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
} from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { Block } from "../api/types";

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

/** What the block means as it is typed; the last answer stays until the next is there. */
export function useReading(athleteId: string, session: string | null, block: Block) {
  return useQuery({
    queryKey: ["block", "reading", athleteId, session, block],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/reading", {
          params: { path: { athleteId }, query: session ? { session } : {} },
          body: block,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    // Tests and body masses change the answer too: none is kept for later.
    gcTime: 0,
    retry: false,
  });
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
        (q.queryKey[0] === "block" && ["programmes", "list", "templates"].includes(String(q.queryKey[1]))),
    });
}
