import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { components } from "../../shared/api/schema";
import type { LogFilter } from "./filter";

type Order = NonNullable<components["schemas"]["LogOrder"]>;

export const pagesQuery = (filter: LogFilter, order: Order) =>
  infiniteQueryOptions({
    queryKey: ["logbook", "pages", filter, order],
    initialPageParam: undefined as string | undefined,
    queryFn: ({ signal, pageParam }) =>
      ask(
        api.GET("/api/logbook", {
          params: { query: { ...filter, order, ...(pageParam ? { after: pageParam } : {}) } },
          signal,
        }),
      ),
    getNextPageParam: (page) => page.after ?? undefined,
    placeholderData: keepPreviousData,
  });

export const highestQuery = (filter: LogFilter, by: components["schemas"]["LogFigure"]) =>
  queryOptions({
    queryKey: ["logbook", "highest", filter, by],
    queryFn: ({ signal }) => ask(api.GET("/api/logbook/highest", { params: { query: { ...filter, by } }, signal })),
    placeholderData: keepPreviousData,
  });

export const sumsQuery = (filter: LogFilter) =>
  queryOptions({
    queryKey: ["logbook", "sums", filter],
    queryFn: ({ signal }) => ask(api.GET("/api/logbook/sums", { params: { query: filter }, signal })),
    placeholderData: keepPreviousData,
  });

export const viewsQuery = queryOptions({
  queryKey: ["logbook", "views"],
  queryFn: ({ signal }) => ask(api.GET("/api/logbook/views", { signal })),
});
