import { keepPreviousData, queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, Problem } from "../api/client";
import type { GenerateRequest, UnderRequest } from "../api/types";
import { blockQuery, useForgetBlocks } from "../blocks/queries";

/** What the generator would write for a wish over a version of the block, 0 while there is none; the last answer stays until the next is there. */
export function useGenerated(athleteId: string, blockId: string, version: number, wish: GenerateRequest | null) {
  return useQuery({
    queryKey: ["block", "generate", athleteId, blockId, version, wish],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/{blockId}/generate", {
          params: { path: { athleteId, blockId } },
          body: wish!,
          signal,
        }),
      ),
    enabled: wish !== null,
    placeholderData: keepPreviousData,
    // Tests and body masses change the answer too: none is kept for later.
    gcTime: 0,
    retry: (count, error) => !(error instanceof Problem) && count < 2,
  });
}

/** What the generator would write under another choice of one school; null: none is asked for. */
export function useUnder(athleteId: string, blockId: string, request: UnderRequest | null) {
  return useQuery({
    queryKey: ["block", "under", athleteId, blockId, request],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/{blockId}/generate/under", {
          params: { path: { athleteId, blockId } },
          body: request!,
          signal,
        }),
      ),
    enabled: request !== null,
    placeholderData: keepPreviousData,
    gcTime: 0,
    retry: (count, error) => !(error instanceof Problem) && count < 2,
  });
}

/** Stores what was previewed. */
export function useTake(athleteId: string, blockId: string) {
  const queries = useQueryClient();
  const forget = useForgetBlocks();
  return useMutation({
    mutationFn: ({ wish, version }: { wish: GenerateRequest; version: number }) =>
      ask(
        api.PUT("/api/athletes/{athleteId}/blocks/{blockId}/generated", {
          params: { path: { athleteId, blockId } },
          body: { wish, version },
        }),
      ),
    onSuccess: async (block) => {
      // The page still stands on both until it is left: nothing is taken from under it.
      queries.setQueryData(blockQuery(athleteId, blockId).queryKey, block);
      await queries.invalidateQueries({ queryKey: generationQuery(athleteId, blockId).queryKey, refetchType: "none" });
      await forget();
    },
  });
}

/** Why the items of a generated block stand there. */
export const generationQuery = (athleteId: string, blockId: string) =>
  queryOptions({
    queryKey: ["block", "generation", blockId],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/blocks/{blockId}/generated", {
          params: { path: { athleteId, blockId } },
          signal,
        }),
      ),
    staleTime: Infinity,
  });
