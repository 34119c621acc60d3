import { keepPreviousData, queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";
import type { LadderEntry } from "../../../shared/api/types";

export const draftQuery = (ladder: string) =>
  queryOptions({
    queryKey: ["draft", ladder],
    queryFn: ({ signal }) => ask(api.GET("/api/ladders/{ladder}/draft", { params: { path: { ladder } }, signal })),
    // What is edited must not change under the hands; a save finds out.
    staleTime: Infinity,
    gcTime: 0,
  });

/** What a draft would mean, asked at each key stroke. */
export const whatIfQuery = (ladder: string, entry: LadderEntry) =>
  queryOptions({
    queryKey: ["what-if", ladder, entry],
    queryFn: ({ signal }) =>
      ask(api.POST("/api/ladders/{ladder}/what-if", { params: { path: { ladder } }, body: entry, signal })),
    placeholderData: keepPreviousData,
    gcTime: 0,
  });

export const completionQuery = (text: string, cursor: number) =>
  queryOptions({
    queryKey: ["completion", text, cursor],
    queryFn: ({ signal }) => ask(api.GET("/api/gates/completion", { params: { query: { text, cursor } }, signal })),
    placeholderData: keepPreviousData,
    gcTime: 0,
  });

/** A changed ladder may move everybody: all that was read is asked for again. */
function useAfterwards() {
  const queries = useQueryClient();
  return () => queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "me" && q.queryKey[0] !== "draft" });
}

export function useSaveLadder() {
  const afterwards = useAfterwards();
  return useMutation({
    mutationFn: ({ ladder, ...body }: { ladder: string; version: number; reason: string; entry: LadderEntry }) =>
      ask(api.PUT("/api/ladders/{ladder}", { params: { path: { ladder } }, body })),
    onSuccess: afterwards,
  });
}

export function useRestoreLadder(ladder: string) {
  const afterwards = useAfterwards();
  return useMutation({
    mutationFn: (body: { version: number; to: number | null; reason: string }) =>
      ask(api.POST("/api/ladders/{ladder}/restore", { params: { path: { ladder } }, body })),
    onSuccess: afterwards,
  });
}

export function usePreviewImport() {
  return useMutation({
    mutationFn: (text: string) => ask(api.POST("/api/ladders/import/preview", { body: { text } })),
  });
}

export function useImport() {
  const afterwards = useAfterwards();
  return useMutation({
    mutationFn: (body: { text: string; state: number; reason: string }) =>
      ask(api.POST("/api/ladders/import", { body })),
    onSuccess: afterwards,
  });
}
