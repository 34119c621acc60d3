import Box from "@mui/material/Box";
import { useRef } from "react";
import { Link } from "react-router";
import type { Sheet } from "../../shared/api/types";
import { StatusShape } from "../../shared/ui/StatusShape";
import { type CellBody, type Column, isBlock, move, type Place, columnName } from "./cells";
import { say } from "../../words/testdays";

export interface CellView {
  body: CellBody;
  state: "empty" | "stored" | "waiting" | "refused";
  message?: string;
}

/** Athletes down, tests across, filled by keyboard like a sheet. */
export function Grid({
  sheet,
  columns,
  cell,
  focused,
  onFocus,
  onType,
  onDone,
  onPaste,
}: {
  sheet: Sheet;
  columns: Column[];
  cell: (place: Place) => CellView;
  focused: Place | null;
  onFocus: (place: Place) => void;
  /** Each key stroke. */
  onType: (place: Place, text: string) => void;
  /** The cell is left. */
  onDone: (place: Place) => void;
  onPaste: (place: Place, text: string) => void;
}) {
  const table = useRef<HTMLTableElement>(null);
  const inputAt = ({ row, column }: Place) =>
    table.current?.querySelector<HTMLInputElement>(`input[data-cell="${row}-${column}"]`) ?? null;
  /** Goes to a cell, past those that are closed to this athlete, in the direction from which it came. */
  const go = (to: Place, from: Place) => {
    const by = {
      row: Math.sign(to.row - from.row),
      column: to.row === from.row ? Math.sign(to.column - from.column) : 0,
    };
    let place = to;
    while (inputAt(place)?.disabled) place = { row: place.row + by.row, column: place.column + by.column };
    inputAt(place)?.focus();
    return inputAt(place) !== null;
  };
  return (
    <Box
      sx={(t) => ({
        overflow: "auto",
        // A shadow at the edge behind which more of the sheet lies.
        background: [
          `linear-gradient(90deg,${t.vars.palette.background.default} 30%,#0000)0/40px 100%`,
          `linear-gradient(270deg,${t.vars.palette.background.default} 30%,#0000)100%/40px 100%`,
          `linear-gradient(90deg,${t.vars.palette.rock},#0000)0/10px 100%`,
          `linear-gradient(270deg,${t.vars.palette.rock},#0000)100%/10px 100%`,
        ].join(","),
        backgroundRepeat: "no-repeat",
        backgroundAttachment: "local, local, scroll, scroll",
      })}
    >
      <Box
        component="table"
        ref={table}
        aria-label={say("results")}
        sx={(t) => ({
          borderCollapse: "collapse",
          "& th, & td": { border: `1px solid ${t.vars.palette.divider}`, p: 0 },
          "& th": { fontWeight: 500, fontSize: 12, lineHeight: "15px", textAlign: "left", px: 2, py: 1 },
          "& tbody th": {
            fontSize: 14,
            fontWeight: 600,
            whiteSpace: "nowrap",
            position: "sticky",
            left: 0,
            bgcolor: "background.default",
            zIndex: 1,
          },
        })}
      >
        <thead>
          <tr>
            <th>{say("athlete")}</th>
            {columns.map((c) => (
              <th
                key={`${c.test.slug}-${c.side}`}
                scope="col"
                style={{ minWidth: c.test.measure === "ContactHeight" ? 132 : 96, maxWidth: 140 }}
              >
                {columnName(c.test, c.side)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.athletes.map((athlete, row) => (
            <tr key={athlete.id}>
              <th scope="row">
                {athlete.name}
                {!athlete.hasBodyMass && (
                  <Box sx={{ fontSize: 12, fontWeight: 400 }}>
                    <Link to={`/athletes/${athlete.id}/profile`}>{say("weighFirst")}</Link>
                  </Box>
                )}
              </th>
              {columns.map((column, c) => {
                const place = { row, column: c };
                const view = cell(place);
                const blocked = athlete.blocked[column.test.slug];
                const active = focused?.row === row && focused.column === c;
                return (
                  <td key={`${column.test.slug}-${column.side}`}>
                    <Box
                      sx={(t) => ({
                        display: "flex",
                        alignItems: "center",
                        position: "relative",
                        bgcolor: blocked ? "action.disabledBackground" : active ? "background.paper" : "transparent",
                        outline: view.state === "refused" ? `2px solid ${t.vars.palette.error.main}` : "none",
                        outlineOffset: -2,
                      })}
                    >
                      <Box
                        component="input"
                        data-cell={`${row}-${c}`}
                        aria-label={`${athlete.name}, ${column.test.name}${column.side ? `, ${column.side.toLowerCase()}` : ""}`}
                        aria-invalid={view.state === "refused"}
                        value={view.body.text}
                        disabled={blocked !== undefined}
                        title={blocked ? say("notBeforeClearance2", { blocked }) : view.message}
                        autoComplete="off"
                        spellCheck={false}
                        inputMode={column.test.measure === "Reps" ? "numeric" : "text"}
                        onFocus={(e: React.FocusEvent<HTMLInputElement>) => {
                          e.currentTarget.select();
                          onFocus(place);
                        }}
                        onChange={(e: React.ChangeEvent<HTMLInputElement>) => onType(place, e.target.value)}
                        onBlur={() => onDone(place)}
                        onPaste={(e: React.ClipboardEvent) => {
                          const text = e.clipboardData.getData("text");
                          if (!isBlock(text)) return;
                          e.preventDefault();
                          onPaste(place, text);
                        }}
                        onKeyDown={(e: React.KeyboardEvent<HTMLInputElement>) => {
                          const input = e.currentTarget;
                          const to = move(e.key, e.shiftKey, place, {
                            start: input.selectionStart ?? 0,
                            end: input.selectionEnd ?? 0,
                            length: input.value.length,
                          });
                          if (!to) return;
                          e.preventDefault();
                          // At the foot of a column Enter goes on at the head of the next.
                          if (!go(to, place) && e.key === "Enter" && !e.shiftKey) {
                            const head = { row: 0, column: place.column + 1 };
                            if (!go(head, { ...head, row: -1 })) onDone(place);
                          }
                        }}
                        sx={{
                          font: "inherit",
                          fontSize: 15,
                          color: "inherit",
                          border: 0,
                          bgcolor: "transparent",
                          px: 2,
                          height: 40,
                          width: "100%",
                          minWidth: 90,
                          textDecoration: view.body.form === "Broken" ? "line-through" : "none",
                        }}
                      />
                      <Mark view={view} />
                    </Box>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

function Mark({ view }: { view: CellView }) {
  if (view.state === "waiting") return <Corner title={say("waitsToBeStored")}>…</Corner>;
  if (view.state === "refused")
    return (
      <Corner title={view.message ?? ""}>
        <StatusShape status="caution" title={say("toMend")} />
      </Corner>
    );
  if (view.body.form === "Broken" && view.body.text) return <Corner title={say("formBroke")}>{say("broke")}</Corner>;
  return null;
}

function Corner({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box component="span" title={title} sx={{ fontSize: 11, color: "text.secondary", pr: 1 }}>
      {children}
    </Box>
  );
}
