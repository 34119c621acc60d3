import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState, useSyncExternalStore } from "react";
import { api, ask, Problem, rememberCsrf } from "../../shared/api/client";
import type { LadderChange, Sheet, SheetCell } from "../../shared/api/types";
import { Outbox, type Letter } from "../../shared/outbox/outbox";
import type { CellBody } from "./cells";
import { sheetQuery, withCell } from "./queries";

interface CellAnswer {
  cell: SheetCell | null;
  changes: LadderChange[];
}

/** The outbox of one sheet, and what its last cell changed. */
export function useSheetOutbox(id: string) {
  const queries = useQueryClient();
  const [changed, setChanged] = useState<{ athleteId: string; changes: LadderChange[] } | null>(null);
  const [outbox] = useState(
    () =>
      new Outbox<CellBody, CellAnswer>({
        storage: localStorage,
        name: `cumbre-sheet-${id}`,
        send: async ({ body }) => {
          try {
            return await sendCell(body);
          } catch (e) {
            // What somebody else wrote stands on the sheet; what was typed here stays beside it, refused.
            if (e instanceof Problem && e.isConflict)
              queries.setQueryData<Sheet>(
                sheetQuery(id).queryKey,
                (sheet) => sheet && withCell(sheet, body.resultId, e.current as SheetCell | null),
              );
            throw e;
          }
        },
        onSent: ({ body }: Letter<CellBody>, answer) => {
          queries.setQueryData<Sheet>(
            sheetQuery(id).queryKey,
            (sheet) => sheet && withCell(sheet, body.resultId, answer.cell),
          );
          if (answer.changes.length > 0) setChanged({ athleteId: body.athleteId, changes: answer.changes });
        },
      }),
  );
  useEffect(() => {
    const online = () => outbox.hurry();
    window.addEventListener("online", online);
    const stop = outbox.start();
    return () => {
      window.removeEventListener("online", online);
      stop();
    };
  }, [outbox]);
  return { outbox, state: useSyncExternalStore(outbox.subscribe, outbox.snapshot), changed };
}

/** A server that started again asks for a new token: each cell takes the newest. */
async function sendCell({ testDay, resultId, ...body }: CellBody): Promise<CellAnswer> {
  rememberCsrf((await ask(api.GET("/api/me"))).csrfToken);
  return ask(api.PUT("/api/test-days/{id}/cells/{resultId}", { params: { path: { id: testDay, resultId } }, body }));
}
