import { v5 } from "uuid";
import type { FormVerdict, Sheet, SheetCell, SheetTest, Side } from "../../shared/api/types";
import { listed } from "../../shared/ui/format";
import { sideWord } from "../../shared/ui/nameWords";

/** A column of the sheet: a test, or one side of it. */
export interface Column {
  test: SheetTest;
  side: Side | null;
}

/** "Flag hang, left". */
export const columnName = (test: SheetTest, side: Side | null) => listed(test.name, side && sideWord[side]);

/** As many columns of a page leave room for a pen; a test of two sides stays together, which can be one more. */
const columnsOnPage = 7;

/** The columns of a sheet on paper, page by page and about equally many on each. */
export function pagesOf(columns: Column[]) {
  const even = Math.ceil(columns.length / Math.max(1, Math.ceil(columns.length / columnsOnPage)));
  const pages: Column[][] = [[]];
  for (const column of columns) {
    const page = pages.at(-1)!;
    const splits = page.at(-1)?.test === column.test;
    if (page.length >= even && !splits) pages.push([column]);
    else page.push(column);
  }
  return pages;
}

/** What a cell holds, as it is sent. */
export interface CellBody {
  testDay: string;
  resultId: string;
  athleteId: string;
  benchmark: string;
  side: Side | null;
  text: string;
  form: FormVerdict;
  setUp: string | null;
  pain: number | null;
  painPlace: string | null;
  /** What this device knows or has sent of the cell: another figure there is somebody else's. */
  known?: string[];
}

/** What is written over a cell: it knows what was stored, and what of the same hand still waits or was sent. */
export function over(
  stored: CellBody,
  waiting: { body: CellBody; held?: boolean } | undefined,
  body: CellBody,
): CellBody {
  const mine = waiting ? [...(waiting.body.known ?? []), ...(waiting.held ? [] : [waiting.body.text])] : [];
  return { ...body, known: [...new Set([stored.text, ...mine])] };
}

/** A fixed name space, so that the same cell has the same id on every device: filling it twice is one result. */
const cells = "5b1f0b0e-7c1c-4f53-9a54-9d8f7c0c9e11";

export function columnsOf(tests: SheetTest[]): Column[] {
  return tests.flatMap((test): Column[] =>
    test.eachSide
      ? [
          { test, side: "Left" },
          { test, side: "Right" },
        ]
      : [{ test, side: null }],
  );
}

export function cellKey(testDay: string, athleteId: string, column: Column) {
  return [testDay, athleteId, column.test.slug, column.side ?? ""].join("/");
}

export function emptyCell(testDay: string, athleteId: string, column: Column): CellBody {
  return {
    testDay,
    resultId: v5(cellKey(testDay, athleteId, column), cells),
    athleteId,
    benchmark: column.test.slug,
    side: column.side,
    text: "",
    form: "Clean",
    setUp: null,
    pain: null,
    painPlace: null,
  };
}

/** What is stored in a cell, as it would be sent again. */
export function storedCell(sheet: Sheet, athleteId: string, column: Column): CellBody {
  const empty = emptyCell(sheet.id, athleteId, column);
  const found = sheet.cells.find(
    (c) => c.athleteId === athleteId && c.benchmark === column.test.slug && c.side === column.side,
  );
  return found ? bodyOf(empty, found) : empty;
}

export function bodyOf(empty: CellBody, cell: SheetCell): CellBody {
  return {
    ...empty,
    resultId: cell.resultId,
    text: cell.text,
    form: cell.form,
    setUp: cell.setUp,
    pain: cell.pain,
    painPlace: cell.painPlace,
  };
}

export interface Block {
  rows: string[][];
  /** Rows and columns that found no place. */
  leftRows: number;
  leftColumns: number;
}

/** A block of a spreadsheet, cut to the room there is from the focused cell on. */
export function readBlock(text: string, roomRows: number, roomColumns: number): Block {
  const rows = text.replace(/\r\n?/g, "\n").replace(/\n$/, "").split("\n");
  const taken = rows.slice(0, roomRows).map((r) => r.split("\t"));
  const widest = taken.reduce((most, r) => Math.max(most, r.length), 0);
  return {
    rows: taken.map((r) => r.slice(0, roomColumns).map((c) => c.trim())),
    leftRows: Math.max(0, rows.length - roomRows),
    leftColumns: Math.max(0, widest - roomColumns),
  };
}

/** Is it a block rather than the text of one cell? */
export function isBlock(text: string) {
  return /[\t\n]/.test(text.replace(/\r?\n$/, ""));
}

export interface Place {
  row: number;
  column: number;
}

/** Where a key leads from a cell; null: the key belongs to the text. */
export function move(
  key: string,
  shift: boolean,
  at: Place,
  caret: { start: number; end: number; length: number },
): Place | null {
  const whole = caret.start === 0 && caret.end === caret.length;
  switch (key) {
    case "Enter":
      return { ...at, row: at.row + (shift ? -1 : 1) };
    case "ArrowDown":
      return { ...at, row: at.row + 1 };
    case "ArrowUp":
      return { ...at, row: at.row - 1 };
    case "ArrowLeft":
      return whole || caret.end === 0 ? { ...at, column: at.column - 1 } : null;
    case "ArrowRight":
      return whole || caret.start === caret.length ? { ...at, column: at.column + 1 } : null;
    default:
      return null;
  }
}
