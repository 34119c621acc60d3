import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { ImportFile, ImportMapping } from "../../shared/api/types";
import { newId } from "../../shared/ui/newId";

const filesKey = ["imports"];

export const filesQuery = queryOptions({ queryKey: filesKey, queryFn: () => ask(api.GET("/api/imports")) });

/** Sends a file as it is, and learns how it would be read. */
export const useSendFile = () =>
  useMutation({
    mutationFn: async (file: File) =>
      (await ask(
        api.PUT("/api/imports/{id}", {
          params: { path: { id: newId() }, query: { name: file.name } },
          body: file as never,
          bodySerializer: (body: unknown) => body as BodyInit,
          headers: { "Content-Type": "application/octet-stream" },
        }),
      )) as ImportFile,
  });

export const previewQuery = (id: string, mapping: ImportMapping) =>
  queryOptions({
    queryKey: [...filesKey, id, "preview", mapping],
    queryFn: ({ signal }) =>
      ask(api.POST("/api/imports/{id}/preview", { params: { path: { id } }, body: mapping, signal })),
    placeholderData: (before) => before,
    staleTime: Infinity,
    gcTime: 0,
  });

/** How far a file is, asked for while it runs. */
export const progressQuery = (id: string, isRunning: boolean) =>
  queryOptions({
    queryKey: [...filesKey, id, "progress"],
    queryFn: () => ask(api.GET("/api/imports/{id}", { params: { path: { id } } })),
    enabled: isRunning,
    gcTime: 0,
    refetchInterval: (query) => (query.state.data?.state === "Running" || !query.state.data ? 400 : false),
  });

export const useRunImport = (id: string) =>
  useMutation({
    mutationFn: (mapping: ImportMapping) =>
      ask(api.POST("/api/imports/{id}/run", { params: { path: { id } }, body: mapping })),
  });

export const discard = (id: string) => ask(api.DELETE("/api/imports/{id}", { params: { path: { id } } }));

export function useUndoImport() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => ask(api.POST("/api/imports/{id}/undo", { params: { path: { id } } })),
    onSuccess: () => client.invalidateQueries(),
  });
}
