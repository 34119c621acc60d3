import { keepPreviousData, queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, Problem } from "../api/client";
import type { GroupRequest } from "../api/types";
import { savesUnderWay, useForgetBlocks } from "./queries";
import { useSettled } from "../ui/useSettled";

export const groupsQuery = queryOptions({
  queryKey: ["block", "groups"],
  queryFn: ({ signal }) => ask(api.GET("/api/groups", { signal })),
});

/** A group with the blocks of its members as they are stored. */
export const groupQuery = (id: string) =>
  queryOptions({
    queryKey: ["block", "group", id],
    queryFn: async ({ signal, client }) => {
      await savesUnderWay(client);
      return ask(api.GET("/api/groups/{id}", { params: { path: { id } }, signal }));
    },
    gcTime: 0,
  });

/** What the outline would give each athlete; the last answer stays until the next is there. */
export function usePreview(id: string, request: GroupRequest | null) {
  const settled = useSettled(request, 250);
  const query = useQuery({
    queryKey: ["block", "group", id, "preview", settled],
    queryFn: ({ signal }) =>
      ask(api.POST("/api/groups/{id}/preview", { params: { path: { id } }, body: settled!, signal })),
    enabled: settled !== null,
    placeholderData: keepPreviousData,
    gcTime: 0,
    retry: (count, error) => !(error instanceof Problem) && count < 2,
  });
  return { ...query, stale: query.isPlaceholderData || settled !== request };
}

export function useSaveGroup() {
  const queries = useQueryClient();
  const forget = useForgetBlocks();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: GroupRequest }) =>
      ask(api.PUT("/api/groups/{id}", { params: { path: { id } }, body })),
    onSuccess: async (group) => {
      queries.setQueryData(groupQuery(group.id).queryKey, group);
      await forget();
    },
  });
}

export function useRemoveGroup(id: string) {
  const forget = useForgetBlocks();
  return useMutation({
    mutationFn: (version: number) =>
      ask(api.DELETE("/api/groups/{id}", { params: { path: { id }, query: { version } } })),
    onSuccess: forget,
  });
}
