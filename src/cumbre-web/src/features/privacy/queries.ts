import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import { textQuery } from "../../shared/privacy/textQuery";

export const retentionQuery = queryOptions({
  queryKey: ["privacy", "retention"],
  queryFn: ({ signal }) => ask(api.GET("/api/retention", { signal })),
});

export const consentsQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["privacy", "consents", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/consents", { params: { path: { athleteId } }, signal })),
  });

export function usePutText() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { version: number; text: string }) => ask(api.PUT("/api/privacy-text", { body })),
    onSuccess: (text) => queries.setQueryData(textQuery.queryKey, text),
  });
}

export function usePutRetention() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (keepMonths: number | null) => ask(api.PUT("/api/retention", { body: { keepMonths } })),
    onSuccess: (rule) => queries.setQueryData(retentionQuery.queryKey, rule),
  });
}

/** A consent changes what rules read of an athlete, and what is noted of them. */
function useConsentChange<T>(athleteId: string, mutationFn: (what: T) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSettled: () =>
      Promise.all(
        [["privacy", "consents", athleteId], ["audit"], ["athlete", athleteId]].map((queryKey) =>
          queries.invalidateQueries({ queryKey }),
        ),
      ),
  });
}

export const useGiveConsent = (athleteId: string) =>
  useConsentChange(athleteId, (f: { id: string; name: string; textVersion: number; day: string | null }) => {
    const { id, ...body } = f;
    return ask(api.PUT("/api/athletes/{athleteId}/consents/{id}", { params: { path: { athleteId, id } }, body }));
  });

export const useWithdrawConsent = (athleteId: string) =>
  useConsentChange(athleteId, () =>
    ask(
      api.POST("/api/athletes/{athleteId}/consents/withdraw", {
        params: { path: { athleteId } },
        body: { reason: null },
      }),
    ),
  );
