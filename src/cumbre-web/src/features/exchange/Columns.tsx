import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { ImportFile, ImportMapping } from "../../shared/api/types";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { ManyField } from "../../shared/ui/ManyField";
import { unitName } from "../../shared/ui/format";
import { say } from "../../words/exchange";
import { kinds, letters, rolesOf, withRole, type Kind, type Role } from "./mapping";

const shownRows = 6;

/** What the file holds and what each column says, above its first rows. */
export function Columns({
  file,
  mapping,
  onChange,
}: {
  file: ImportFile;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
}) {
  const [shown, setShown] = useState(mapping.sheets[0] ?? file.sheets[0]!.name);
  const sheet = file.sheets.find((s) => s.name === shown) ?? file.sheets[0]!;
  const first = sheet.rows.slice(mapping.headerRow, mapping.headerRow + shownRows);
  return (
    <Box component="section" aria-label={say("tableOf", { name: file.name })}>
      <Options file={file} mapping={mapping} onChange={onChange} onSheet={setShown} />
      <Box sx={{ overflowX: "auto", mt: 4, border: 1, borderColor: "divider", bgcolor: "background.paper" }}>
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell sx={{ color: "text.secondary", fontWeight: 400, pl: 3 }}>{say("row")}</TableCell>
              {mapping.columns.map((c) => (
                <TableCell key={c.index} sx={{ minWidth: 150, verticalAlign: "bottom" }}>
                  <Box sx={{ fontSize: 13, pb: 1 }}>{c.header || letters(c.index)}</Box>
                  <TextField
                    select
                    size="small"
                    fullWidth
                    value={c.role}
                    onChange={(e) => onChange(withRole(mapping, c.index, e.target.value as Role))}
                    slotProps={{
                      htmlInput: { "aria-label": say("columnSays", { column: c.header || letters(c.index) }) },
                      select: { sx: { fontSize: 13, color: c.role === "Ignored" ? "text.secondary" : undefined } },
                    }}
                  >
                    {rolesOf(mapping.kind, c.role).map((role) => (
                      <MenuItem key={role} value={role}>
                        {say(role)}
                      </MenuItem>
                    ))}
                  </TextField>
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {first.map((row, i) => (
              <TableRow key={i}>
                <TableCell sx={{ color: "text.secondary", pl: 3 }}>{mapping.headerRow + i + 1}</TableCell>
                {mapping.columns.map((c) => (
                  <TableCell
                    key={c.index}
                    sx={{
                      whiteSpace: "nowrap",
                      maxWidth: 260,
                      overflow: "hidden",
                      textOverflow: "ellipsis",
                      color: c.role === "Ignored" ? "text.secondary" : undefined,
                    }}
                  >
                    {row[c.index] ?? ""}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}

function Options({
  file,
  mapping,
  onChange,
  onSheet,
}: {
  file: ImportFile;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
  onSheet: (name: string) => void;
}) {
  const roster = useQuery(rosterQuery());
  const hasColumn = mapping.columns.some((c) => c.role === "Athlete");
  return (
    <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "center" }}>
      <TextField
        select
        label={say("what")}
        value={mapping.kind}
        onChange={(e) => onChange({ ...mapping, kind: e.target.value as Kind })}
        sx={{ width: 190 }}
      >
        {kinds.map((kind) => (
          <MenuItem key={kind} value={kind}>
            {say(kind)}
          </MenuItem>
        ))}
      </TextField>
      {file.sheets.length > 1 && (
        <ManyField
          label={say("sheets")}
          options={file.sheets.map((s) => s.name)}
          chosen={mapping.sheets}
          nameOf={(name) => (file.sheets.find((s) => s.name === name)?.isHidden ? say("hiddenSheet", { name }) : name)}
          onChange={(sheets) => {
            onChange({ ...mapping, sheets });
            if (sheets[0] !== undefined) onSheet(sheets[0]);
          }}
          sx={{ minWidth: 260, maxWidth: 420 }}
        />
      )}
      {mapping.kind !== "Outline" && !hasColumn && (
        <TextField
          select
          label={say("whose")}
          value={mapping.sheetIsAthlete ? "sheet" : (mapping.athlete ?? "")}
          onChange={(e) =>
            onChange({
              ...mapping,
              sheetIsAthlete: e.target.value === "sheet",
              athlete: e.target.value === "sheet" ? null : e.target.value,
            })
          }
          sx={{ width: 210 }}
        >
          <MenuItem value="sheet">{say("bySheet")}</MenuItem>
          {roster.data?.map((a) => (
            <MenuItem key={a.id} value={a.id}>
              {a.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <TextField
        select
        label={say("header")}
        value={mapping.headerRow}
        onChange={(e) => onChange(withHeader(file, mapping, Number(e.target.value)))}
        sx={{ width: 130 }}
      >
        <MenuItem value={0}>{say("noHeader")}</MenuItem>
        {file.sheets[0]!.rows.map((_, i) => (
          <MenuItem key={i} value={i + 1}>
            {i + 1}
          </MenuItem>
        ))}
      </TextField>
      {mapping.kind !== "Outline" && (
        <TextField
          select
          label={say("dates")}
          value={mapping.dates}
          onChange={(e) => onChange({ ...mapping, dates: e.target.value as ImportMapping["dates"] })}
          sx={{ width: 190 }}
        >
          {(["DayMonth", "MonthDay"] as const).map((order) => (
            <MenuItem key={order} value={order}>
              {say(order)}
            </MenuItem>
          ))}
        </TextField>
      )}
      <TextField
        select
        label={say("unit")}
        value={mapping.unit}
        onChange={(e) => onChange({ ...mapping, unit: e.target.value as ImportMapping["unit"] })}
        sx={{ width: 170 }}
      >
        {(["Kg", "Lb"] as const).map((unit) => (
          <MenuItem key={unit} value={unit}>
            {unitName[unit]}
          </MenuItem>
        ))}
      </TextField>
      <FormControlLabel
        control={
          <Checkbox checked={mapping.fillDown} onChange={(e) => onChange({ ...mapping, fillDown: e.target.checked })} />
        }
        label={say("fillDown")}
      />
    </Box>
  );
}

/** Another row of headers names the columns otherwise; what each says stays until it is chosen anew. */
function withHeader(file: ImportFile, mapping: ImportMapping, headerRow: number): ImportMapping {
  const sheet = file.sheets.find((s) => s.name === mapping.sheets[0]) ?? file.sheets[0]!;
  const cells = headerRow > 0 ? (sheet.rows[headerRow - 1] ?? []) : [];
  return {
    ...mapping,
    headerRow,
    columns: mapping.columns.map((c) => ({ ...c, header: cells[c.index] ?? "" })),
  };
}
