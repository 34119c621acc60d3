import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import { announce } from "../../shared/ui/announce";
import { say } from "../../words/accounts";

export const devicesQuery = queryOptions({
  queryKey: ["devices"],
  queryFn: ({ signal }) => ask(api.GET("/api/me/devices", { signal })),
});

/** Signs out one device, or with null all but this one. */
export function useEndDevice() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (id: string | null) =>
      id === null
        ? ask(api.DELETE("/api/me/devices"))
        : ask(api.DELETE("/api/me/devices/{id}", { params: { path: { id } } })),
    onSuccess: () => announce(say("deviceSignedOut")),
    onSettled: () => queries.invalidateQueries({ queryKey: devicesQuery.queryKey }),
  });
}

export function useChangePassword() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { current: string; password: string }) => ask(api.PUT("/api/me/password", { body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: devicesQuery.queryKey }),
  });
}
