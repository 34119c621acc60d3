import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { InvitationRequest, PersonRequest } from "../api/types";

const key = ["people"];

export const peopleQuery = queryOptions({
  queryKey: key,
  queryFn: ({ signal }) => ask(api.GET("/api/people", { signal })),
});

/** Who sees an athlete, and the links that are open for them. */
export const accessQuery = (athleteId: string) =>
  queryOptions({
    queryKey: [...key, "of", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/access", { params: { path: { athleteId } }, signal })),
  });

function useChange<T, R>(mutationFn: (what: T) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    // What was done is in the audit as well.
    onSettled: () => Promise.all([key, ["audit"]].map((queryKey) => queries.invalidateQueries({ queryKey }))),
  });
}

export const useInvite = () => useChange((body: InvitationRequest) => ask(api.POST("/api/invitations", { body })));

export const useWithdraw = () =>
  useChange((id: string) => ask(api.DELETE("/api/invitations/{id}", { params: { path: { id } } })));

export const useChangePerson = (id: string) =>
  useChange((body: PersonRequest) => ask(api.PUT("/api/people/{id}", { params: { path: { id } }, body })));

export const useErasePerson = () =>
  useChange((id: string) => ask(api.DELETE("/api/people/{id}", { params: { path: { id } } })));

/** Ends somebody's access or restores it; as their coach under the address of the athlete, else as the owner. */
export const useSetAccess = (athleteId: string | null) =>
  useChange(({ id, ended }: { id: string; ended: boolean }) => {
    const body = { ended, reason: null };
    return athleteId === null
      ? ask(api.PUT("/api/people/{id}/access", { params: { path: { id } }, body }))
      : ask(api.PUT("/api/athletes/{athleteId}/access/{id}", { params: { path: { athleteId, id } }, body }));
  });

export const useRecovery = (athleteId: string) =>
  useChange((accountId: string) =>
    ask(api.POST("/api/athletes/{athleteId}/recovery", { params: { path: { athleteId } }, body: { accountId } })),
  );
