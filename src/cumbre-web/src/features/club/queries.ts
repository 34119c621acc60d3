import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { ClubSettings } from "../../shared/api/types";

const clubQuery = queryOptions({
  queryKey: ["club"],
  queryFn: ({ signal }) => ask(api.GET("/api/club", { signal })),
});

const backupsQuery = queryOptions({
  queryKey: ["backups"],
  queryFn: ({ signal }) => ask(api.GET("/api/backups", { signal })),
});

export const useClub = () => useQuery(clubQuery);

export const useBackups = () => useQuery(backupsQuery);

/** Another zone is another day: nothing that was loaded holds any more. */
export function usePutClub() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: ClubSettings) => ask(api.PUT("/api/club", { body })),
    onSuccess: (club) => {
      queries.setQueryData(clubQuery.queryKey, club);
      return queries.invalidateQueries();
    },
  });
}

export function useBackUp() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => ask(api.POST("/api/backups")),
    onSuccess: (backups) => queries.setQueryData(backupsQuery.queryKey, backups),
    onError: () => queries.invalidateQueries({ queryKey: backupsQuery.queryKey }),
  });
}

/** What a restore would change; looked at anew each time. */
export const usePreview = (name: string) =>
  useQuery({
    queryKey: ["backups", name],
    queryFn: ({ signal }) => ask(api.GET("/api/backups/{name}/preview", { params: { path: { name } }, signal })),
    gcTime: 0,
    staleTime: Infinity,
    retry: false,
  });

export const useRestore = (name: string) =>
  useMutation({
    mutationFn: (password: string) =>
      ask(api.POST("/api/backups/{name}/restore", { params: { path: { name } }, body: { password } })),
  });
