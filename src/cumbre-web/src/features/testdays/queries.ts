import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import type { Sheet, SheetCell } from "../../shared/api/types";
import type { CellBody } from "./cells";
import { athletesOnASheet } from "./wording";

export const testDaysQuery = queryOptions({
  queryKey: ["test-days"],
  queryFn: ({ signal }) => ask(api.GET("/api/test-days", { signal })),
});

export const sheetQuery = (id: string) =>
  queryOptions({
    queryKey: ["test-days", id],
    queryFn: ({ signal }) => ask(api.GET("/api/test-days/{id}", { params: { path: { id } }, signal })),
  });

export const outcomeQuery = (id: string) =>
  queryOptions({
    queryKey: ["test-days", id, "outcome"],
    queryFn: ({ signal }) => ask(api.GET("/api/test-days/{id}/outcome", { params: { path: { id } }, signal })),
    staleTime: 0,
  });

/** What stood in a cell before; another figure in it asks anew. */
export const cellHistoryQuery = (body: CellBody) =>
  queryOptions({
    queryKey: ["test-days", body.testDay, "history", body.resultId, body.text, body.form],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/test-days/{id}/cells/{resultId}/history", {
          params: { path: { id: body.testDay, resultId: body.resultId } },
          signal,
        }),
      ),
  });

export const proposalQuery = (athletes: string[]) =>
  queryOptions({
    queryKey: ["test-days", "proposal", athletes],
    queryFn: ({ signal }) => ask(api.POST("/api/test-days/proposal", { body: { athletes }, signal })),
    enabled: athletes.length > 0 && athletes.length <= athletesOnASheet,
  });

interface SheetBody {
  day: string;
  name: string;
  athletes: string[];
  tests: string[];
  version: number;
}

export function useSaveSheet() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, ...body }: SheetBody & { id: string }) =>
      ask(api.PUT("/api/test-days/{id}", { params: { path: { id } }, body })),
    onSuccess: (sheet) => {
      queries.setQueryData(sheetQuery(sheet.id).queryKey, sheet);
      return queries.invalidateQueries({ queryKey: testDaysQuery.queryKey, exact: true });
    },
  });
}

export function useRemoveSheet(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => ask(api.DELETE("/api/test-days/{id}", { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: testDaysQuery.queryKey }),
  });
}

/** The sheet with one cell as the server has it now. */
export function withCell(sheet: Sheet, resultId: string, cell: SheetCell | null): Sheet {
  return { ...sheet, cells: [...sheet.cells.filter((c) => c.resultId !== resultId), ...(cell ? [cell] : [])] };
}
