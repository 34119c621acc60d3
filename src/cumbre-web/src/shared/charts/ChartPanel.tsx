import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useRef, useState } from "react";
import { say } from "../../words/charts";
import { visuallyHidden } from "../ui/hidden";
import { Section } from "../ui/Section";
import type { TermId } from "../../words/glossary";
import { saveFile, svgText } from "./saveSvg";

export interface ChartTable {
  columns: string[];
  rows: (string | null)[][];
}

/** A chart under its heading, with the table that it is drawn of, and both as files. */
export function ChartPanel({
  title,
  term,
  note,
  chart,
  table,
  csv,
  children,
}: {
  title: string;
  term?: TermId;
  note?: string;
  chart: React.ReactNode;
  table: ChartTable;
  /** Address of the table as a file. */
  csv: string;
  /** What stands under it either way. */
  children?: React.ReactNode;
}) {
  const [asTable, setAsTable] = useState(false);
  const picture = useRef<HTMLDivElement>(null);
  const save = () => {
    const svg = picture.current?.querySelector("svg");
    if (!svg) return;
    const ground = getComputedStyle(document.body).backgroundColor;
    saveFile(svgText(svg, title, ground), "image/svg+xml", `${title.replace(/[^\p{L}\p{N} ]/gu, "")}.svg`);
  };
  return (
    <Section
      title={title}
      term={term}
      note={note}
      action={
        <Box sx={{ display: "flex", gap: 1 }}>
          <Button size="small" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
            {say(asTable ? "chart" : "table")}
          </Button>
          <Button size="small" component="a" href={csv} download aria-label={say("csvOf", { title })}>
            {say("csv")}
          </Button>
          {!asTable && (
            <Button size="small" onClick={save} aria-label={say("svgOf", { title })}>
              {say("svg")}
            </Button>
          )}
        </Box>
      }
    >
      {asTable ? (
        <ShownTable title={title} table={table} />
      ) : (
        <div ref={picture} data-chart>
          {chart}
        </div>
      )}
      {children && (
        <Typography variant="body2" color="textSecondary" component="div" sx={{ pt: 1 }}>
          {children}
        </Typography>
      )}
    </Section>
  );
}

function ShownTable({ title, table }: { title: string; table: ChartTable }) {
  return (
    <Box sx={{ overflow: "auto", maxHeight: 320 }} tabIndex={0} role="region" aria-label={say("tableOf", { title })}>
      <Cells title={title} table={table} />
    </Box>
  );
}

/** What a chart shows, for who does not see it. A table is as wide as its cells; the box around it hides. */
export function HiddenTable({ title, table }: { title: string; table: ChartTable }) {
  return (
    <Box sx={visuallyHidden}>
      <Cells title={title} table={table} />
    </Box>
  );
}

function Cells({ title, table }: { title: string; table: ChartTable }) {
  return (
    <Table size="small" stickyHeader aria-label={title}>
      <TableHead>
        <TableRow>
          {table.columns.map((column, i) => (
            <TableCell key={column} align={i === 0 ? "left" : "right"}>
              {column}
            </TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {table.rows.map((row, i) => (
          <TableRow key={i}>
            {row.map((cell, j) => (
              <TableCell key={j} align={j === 0 ? "left" : "right"}>
                {cell ?? say("notKnown")}
              </TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
