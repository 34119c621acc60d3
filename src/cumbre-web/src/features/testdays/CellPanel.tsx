import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import type { FormVerdict, Sheet } from "../../shared/api/types";
import type { CellBody, Column } from "./cells";
import type { CellView } from "./Grid";
import { cellHistoryQuery } from "./queries";
import { StopWatch } from "./StopWatch";
import { noted } from "./wording";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { say } from "../../words/testdays";
import { columnName } from "./cells";

/** Protocol and form standard of the focused cell, and what else is written down about it. */
export function CellPanel({
  athlete,
  column,
  view,
  onChange,
}: {
  athlete: Sheet["athletes"][number];
  column: Column;
  view: CellView;
  onChange: (change: Partial<CellBody>) => void;
}) {
  const { test, side } = column;
  const body = view.body;
  const blocked = athlete.blocked[test.slug];
  return (
    <Box component="aside" aria-label={say("theFocusedCell")} sx={{ display: "grid", gap: 3, alignContent: "start" }}>
      <div>
        <Typography variant="h2">{columnName(test, side)}</Typography>
        <Typography variant="body2" color="textSecondary">
          {athlete.name}
        </Typography>
      </div>
      {view.message && (
        <Typography color="error" variant="body2" role="alert">
          {view.message}
        </Typography>
      )}
      {blocked && (
        <Typography variant="body2" role="note">
          {say("notBeforeALicensedProfessionalHas", { blocked })}
        </Typography>
      )}
      <MovementFigure movement={test.movement} size={120} name={test.name} athleteId={athlete.id} />
      <Box sx={{ fontSize: 13, lineHeight: "18px" }}>
        <b>{say("write")}</b> {test.example}
        <br />
        <b>{say("how")}</b> {test.protocol}
        <br />
        <b>{say("counts")}</b> {athlete.standards[test.slug] ?? test.standard}
        <br />
        <b>{say("not")}</b> {test.faults.join("; ")}
      </Box>
      {test.measure === "Seconds" && !blocked && (
        <StopWatch key={`${athlete.id}-${test.slug}-${side}`} onStop={(text) => onChange({ text })} />
      )}
      {view.state === "stored" && <Before body={body} />}
      {!blocked && (
        <>
          <ToggleButtonGroup
            exclusive
            value={body.form}
            onChange={(_, form: FormVerdict | null) => form && onChange({ form })}
            aria-label={say("form")}
          >
            <ToggleButton value="Clean">{say("clean")}</ToggleButton>
            <ToggleButton value="Broken">{say("formBroke")}</ToggleButton>
          </ToggleButtonGroup>
          <TextField
            label={say("setUp")}
            value={body.setUp ?? ""}
            onChange={(e) => onChange({ setUp: e.target.value || null })}
            helperText={test.setUp.join(", ") || undefined}
            slotProps={{ htmlInput: { maxLength: 120 } }}
          />
          <Box sx={{ display: "grid", gridTemplateColumns: "100px 1fr", gap: 2 }}>
            <TextField
              select
              label={say("pain")}
              value={body.pain ?? ""}
              onChange={(e) => onChange({ pain: e.target.value === "" ? null : Number(e.target.value) })}
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">{say("none")}</MenuItem>
              {Array.from({ length: 10 }, (_, i) => (
                <MenuItem key={i + 1} value={i + 1}>
                  {say("of10", { i: i + 1 })}
                </MenuItem>
              ))}
            </TextField>
            {body.pain !== null && (
              <TextField
                label={say("where")}
                value={body.painPlace ?? ""}
                onChange={(e) => onChange({ painPlace: e.target.value || null })}
              />
            )}
          </Box>
        </>
      )}
    </Box>
  );
}

/** What stood in the cell before it was corrected. */
function Before({ body }: { body: CellBody }) {
  const history = useQuery(cellHistoryQuery(body));
  if (!history.data || history.data.length === 0) return null;
  return (
    <Box component="section" aria-label={say("before")} sx={{ fontSize: 13, lineHeight: "18px" }}>
      <b>{say("before")}</b>
      <Box component="ul" sx={{ m: 0, pl: 4 }}>
        {history.data.map((h) => (
          <li key={h.at}>{noted(h)}</li>
        ))}
      </Box>
    </Box>
  );
}
