import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";
import type { WeekKind } from "../api/types";
import { savesUnderWay } from "./queries";

/** What publishing a block asks for. */
export interface PublishProps {
  athleteId: string;
  blockId: string;
  /** Of the block as it is saved. */
  version: number;
  weeks: WeekKind[];
  /** All that was typed is saved. */
  saved: boolean;
  onClose: () => void;
}

export const versionsQuery = (athleteId: string, blockId: string) =>
  queryOptions({
    queryKey: ["block", "versions", blockId],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/blocks/{blockId}/versions", {
          params: { path: { athleteId, blockId } },
          signal,
        }),
      ),
  });

/** What was published for an athlete: each block in its newest version. */
export const ownProgrammeQuery = (athleteId: string) =>
  queryOptions({
    queryKey: ["own-programme", athleteId],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/athletes/{athleteId}/programme", { params: { path: { athleteId } }, signal })),
  });

/** The newest published version of one, as it was frozen. */
export const ownSheetsQuery = (athleteId: string, blockId: string) =>
  queryOptions({
    queryKey: ["own-programme", athleteId, blockId],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/programme/{blockId}", { params: { path: { athleteId, blockId } }, signal }),
      ),
  });

/** A version as it was frozen, or without a number the draft as it means today. */
export const sheetsQuery = (athleteId: string, blockId: string, version: number | null) =>
  queryOptions({
    queryKey: ["block", "sheets", blockId, version],
    queryFn: async ({ signal, client }) => {
      await savesUnderWay(client);
      return ask(
        api.GET("/api/athletes/{athleteId}/blocks/{blockId}/sheets", {
          params: { path: { athleteId, blockId }, query: version === null ? {} : { version } },
          signal,
        }),
      );
    },
    gcTime: 0,
  });

export function usePublish(athleteId: string, blockId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { version: number; note: string | null }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/{blockId}/versions", {
          params: { path: { athleteId, blockId } },
          body,
        }),
      ),
    onSuccess: (list) => queries.setQueryData(versionsQuery(athleteId, blockId).queryKey, list),
  });
}

export const outboxQuery = queryOptions({
  queryKey: ["outbox"],
  queryFn: ({ signal }) => ask(api.GET("/api/outbox", { signal })),
});

export const messageQuery = (id: string) =>
  queryOptions({
    queryKey: ["outbox", id],
    queryFn: ({ signal }) => ask(api.GET("/api/outbox/{id}", { params: { path: { id } }, signal })),
    staleTime: Infinity,
  });

/** Writes the week as a message into the outbox; no mail is sent. */
export function useMessage(athleteId: string, blockId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: { id: string; week: number; version: number | null; to: string; time: string | null }) =>
      ask(
        api.POST("/api/athletes/{athleteId}/blocks/{blockId}/messages", {
          params: { path: { athleteId, blockId } },
          body,
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["outbox"], exact: true }),
  });
}

/** Where a file of a block is kept by the server. */
export function fileAddress(
  athleteId: string,
  blockId: string,
  file: "calendar.ics" | "block.csv" | "block.json",
  version: number | null,
  time = "",
) {
  const query = new URLSearchParams();
  if (version !== null) query.set("version", String(version));
  if (time) query.set("time", time);
  const asked = query.toString();
  return `/api/athletes/${athleteId}/blocks/${blockId}/${file}${asked ? `?${asked}` : ""}`;
}
