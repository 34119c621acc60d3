import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useUnit } from "../account/useMe";
import { api, ask } from "../api/client";
import type { Decision } from "../api/types";
import type { AskedFigure, OpenFigure } from "../why/WhyContext";
import { figureKey, figureOf } from "./figureOf";

const decisionQuery = (id: string) =>
  queryOptions({
    queryKey: ["decision", id],
    queryFn: ({ signal }) => ask(api.GET("/api/decisions/{id}", { params: { path: { id } }, signal })),
  });

/** What a decision changes and why, where the page does not bring it along. */
export function useDetails(decision: Decision) {
  const asked = useQuery({
    ...decisionQuery(decision.id),
    enabled: decision.details === null && decision.changedItems > 0,
  });
  return { details: decision.details ?? asked.data?.details, failed: asked.isError, again: () => void asked.refetch() };
}

/** A decision as a figure that can be opened, with or without its details at hand. */
export function useFigure() {
  const queries = useQueryClient();
  const unit = useUnit();
  return (d: Decision): OpenFigure | AskedFigure =>
    d.details
      ? figureOf(d, d.details, unit)
      : {
          key: figureKey(d),
          ask: async () => figureOf(d, (await queries.fetchQuery(decisionQuery(d.id))).details!, unit),
        };
}
