import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { ImportFile, ImportMapping, FilePreview } from "../../shared/api/types";
import { say } from "../../words/exchange";
import { isOfName, letters, withFix } from "./mapping";

type Fault = FilePreview["faults"][number];

/** Cells that cannot be taken over, like ones together, corrected where they stand. */
export function Faults({
  file,
  preview,
  mapping,
  onChange,
}: {
  file: ImportFile;
  preview: FilePreview;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
}) {
  const faults = preview.faults.filter((f) => !isOfName(f));
  const ofNames = preview.faults.filter(isOfName).reduce((sum, f) => sum + f.count, 0);
  const cells = preview.faultyCells - ofNames;
  if (cells === 0 && mapping.fixes.length === 0) return null;
  return (
    <Box component="section" aria-label={say("faultsTitle")} sx={{ pt: 5, maxWidth: 980 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", flexWrap: "wrap", pb: 2 }}>
        <Typography variant="h2">{say("faultsTitle")}</Typography>
        {cells > 0 && (
          <Typography variant="body2" color="textSecondary">
            {say("faultsNote", { count: cells })}
          </Typography>
        )}
        {mapping.fixes.length > 0 && (
          <Box sx={{ ml: "auto" }}>
            {say("corrections", { count: mapping.fixes.length })}{" "}
            <Button size="small" onClick={() => onChange({ ...mapping, fixes: [] })}>
              {say("forget")}
            </Button>
          </Box>
        )}
      </Box>
      {faults.map((f) => (
        <Row
          key={`${f.sheet} ${f.column} ${f.fault} ${f.written}`}
          fault={f}
          column={columnOf(file, mapping, f)}
          onFix={(to) => onChange(withFix(mapping, f, to))}
        />
      ))}
      {faults.reduce((sum, f) => sum + f.count, 0) < cells && (
        <Typography color="textSecondary" sx={{ pt: 2 }}>
          {say("moreFaults", { shown: faults.length })}
        </Typography>
      )}
    </Box>
  );
}

function columnOf(file: ImportFile, mapping: ImportMapping, fault: Fault): string {
  const sheet = file.sheets.find((s) => s.name === fault.sheet);
  return sheet?.rows[mapping.headerRow - 1]?.[fault.column] || letters(fault.column);
}

function Row({ fault, column, onFix }: { fault: Fault; column: string; onFix: (to: string | null) => void }) {
  const [typed, setTyped] = useState(fault.written);
  const text = fault.written || say("emptyCell");
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "250px minmax(0, 1fr) auto" },
        columnGap: 4,
        rowGap: 1,
        py: 2,
        borderTop: 1,
        borderColor: "divider",
        alignItems: "center",
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="body2" color="textSecondary">
          {say("placeOf", { sheet: fault.sheet, row: fault.row, column })}
          {fault.count > 1 && ", "}
          {fault.count > 1 && say("timesMore", { count: fault.count })}
        </Typography>
        <Typography sx={{ overflowWrap: "anywhere", fontWeight: 600 }}>{text}</Typography>
      </Box>
      <Typography>{say(fault.fault)}</Typography>
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault();
          if (typed !== fault.written) onFix(typed);
        }}
        sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}
      >
        <TextField
          size="small"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          slotProps={{ htmlInput: { "aria-label": say("correctTo", { text }) } }}
          sx={{ width: 180 }}
        />
        <Button type="submit" size="small" disabled={typed === fault.written}>
          {say("apply")}
        </Button>
        <Button size="small" onClick={() => onFix(null)}>
          {say("leaveOut")}
        </Button>
      </Box>
    </Box>
  );
}
