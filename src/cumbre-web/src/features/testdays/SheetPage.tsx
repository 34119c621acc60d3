import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { Sheet } from "../../shared/api/types";
import { changesText } from "../../shared/ladders/wording";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { dayFull } from "../../shared/ui/format";
import { FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { CellPanel } from "./CellPanel";
import { cellKey, type CellBody, columnsOf, type Place, readBlock, over, storedCell } from "./cells";
import { type CellView, Grid } from "./Grid";
import { sheetQuery, useRemoveSheet } from "./queries";
import { useSheetOutbox } from "./useSheetOutbox";
import { minutes } from "./wording";
import { useKey } from "../../shared/keys/useKey";
import { say } from "../../words/testdays";

/** The sheet of an evening. */
export default function SheetPage() {
  const { id = "" } = useParams();
  const sheet = useQuery(sheetQuery(id));
  if (sheet.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (sheet.data) return <Open key={id} sheet={sheet.data} />;
  return <FailedPage error={sheet.error} retry={() => void sheet.refetch()} />;
}

function Open({ sheet }: { sheet: Sheet }) {
  const navigate = useNavigate();
  const { outbox, state, changed } = useSheetOutbox(sheet.id);
  const [focused, setFocused] = useState<Place | null>(null);
  const [left, setLeft] = useState<string | null>(null);
  const [pasted, setPasted] = useState<{ at: Place; text: string }[] | null>(null);
  const [removing, setRemoving] = useState(false);
  const remove = useRemoveSheet(sheet.id);
  const columns = columnsOf(sheet.tests);

  const keyOf = ({ row, column }: Place) => cellKey(sheet.id, sheet.athletes[row]!.id, columns[column]!);
  const viewOf = (place: Place): CellView => {
    const key = keyOf(place);
    const waiting = state.waiting.find((l) => l.key === key);
    if (waiting) return { body: waiting.body, state: "waiting" };
    const refused = state.refused.find((r) => r.key === key);
    if (refused) return { body: refused.body, state: "refused", message: refused.message };
    const body = storedAt(place);
    return { body, state: body.text ? "stored" : "empty" };
  };
  const storedAt = ({ row, column }: Place) => storedCell(sheet, sheet.athletes[row]!.id, columns[column]!);
  const write = (place: Place, change: Partial<CellBody>, held = false) => {
    const key = keyOf(place);
    const waiting = outbox.snapshot().waiting.find((l) => l.key === key);
    const body = over(storedAt(place), waiting, { ...viewOf(place).body, ...change });
    outbox.put({ key, body, held });
  };
  const done = (place: Place) => {
    const key = keyOf(place);
    const held = outbox.snapshot().waiting.find((l) => l.key === key && l.held);
    if (!held) return;
    // Typed and taken back again: nothing to send.
    if (JSON.stringify(storedAt(place)) === JSON.stringify({ ...held.body, known: undefined })) outbox.drop(key);
    else outbox.put({ key, body: held.body });
  };
  const paste = (place: Place, text: string) => {
    const block = readBlock(text, sheet.athletes.length - place.row, columns.length - place.column);
    const before: { at: Place; text: string }[] = [];
    block.rows.forEach((cells, r) =>
      cells.forEach((value, c) => {
        const at = { row: place.row + r, column: place.column + c };
        const blocked = sheet.athletes[at.row]!.blocked[columns[at.column]!.test.slug];
        const text = viewOf(at).body.text;
        if (blocked || (!value && !text)) return;
        before.push({ at, text });
        write(at, { text: value });
      }),
    );
    setPasted(before);
    setLeft(
      block.leftRows > 0 && block.leftColumns > 0
        ? say("rowsAndColumnsLeft", { rows: block.leftRows, columns: block.leftColumns })
        : block.leftRows > 0
          ? say("rowsLeft", { rows: block.leftRows })
          : block.leftColumns > 0
            ? say("columnsLeft", { columns: block.leftColumns })
            : null,
    );
  };
  /** The whole paste goes, cell by cell as it was. */
  const undoPaste = () => {
    pasted?.forEach(({ at, text }) => write(at, { text }));
    setPasted(null);
    setLeft(null);
  };
  useKey("undo", undoPaste, { inFields: true, enabled: pasted !== null });
  const refused = state.refused.length;
  const waiting = state.waiting.length;
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4, flexWrap: "wrap" }}>
        <Typography variant="h1">{sheet.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say("allOfItTakesOneAthlete", { day: dayFull(sheet.day) })}{" "}
          <WhyFigure
            figure={{
              key: `time-${sheet.id}`,
              shown: minutes(sheet.time.value.number),
              subject: say("timeOfTheTestsForOneAthlete"),
              why: sheet.time.why,
            }}
          />
        </Typography>
        <Typography variant="body2" role="status" sx={{ color: state.unreachable ? "error.main" : "text.secondary" }}>
          {state.unreachable
            ? say("theServerCannotBeReachedKeptOn", { waiting })
            : waiting > 0
              ? say("saving")
              : refused > 0
                ? say("toMendEverythingElseStored", { refused })
                : say("everythingStored")}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 2 }}>
          <Button size="small" component={Link} to={`/test-days/${sheet.id}/edit`}>
            {say("athletesAndTests2")}
          </Button>
          <Button size="small" component={Link} to={`/test-days/${sheet.id}/outcome`}>
            {say("afterwards")}
          </Button>
          <Button size="small" color="error" variant="text" onClick={() => setRemoving(true)}>
            {say("remove")}
          </Button>
        </Box>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1, mb: 3 }}>
        {say("enterGoesDownTabAndArrowsGo")}
      </Typography>
      {pasted && pasted.length > 0 && (
        <Alert
          severity="info"
          icon={false}
          sx={{ mb: 3 }}
          onClose={() => setPasted(null)}
          action={
            <Button size="small" onClick={undoPaste}>
              {say("undoPaste")}
            </Button>
          }
        >
          {say("cellsPasted", { count: pasted.length })}
        </Alert>
      )}
      {left && (
        <Alert severity="warning" onClose={() => setLeft(null)} sx={{ mb: 3 }}>
          {left}
        </Alert>
      )}
      {changed && (
        <Alert severity="success" icon={false} sx={{ mb: 3 }}>
          {sheet.athletes.find((a) => a.id === changed.athleteId)?.name}: {changesText(changed.changes)}
        </Alert>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 300px" },
          gap: 6,
          alignItems: "start",
        }}
      >
        <Grid
          sheet={sheet}
          columns={columns}
          cell={viewOf}
          focused={focused}
          onFocus={setFocused}
          onType={(place, text) => {
            // What is typed after a paste is another step.
            setPasted(null);
            write(place, { text }, true);
          }}
          onDone={done}
          onPaste={paste}
        />
        {focused && sheet.athletes[focused.row] && columns[focused.column] ? (
          <CellPanel
            athlete={sheet.athletes[focused.row]!}
            column={columns[focused.column]!}
            view={viewOf(focused)}
            onChange={(change) => write(focused, change, viewOf(focused).body.text === "" && change.text === undefined)}
          />
        ) : (
          <Typography variant="body2" color="textSecondary">
            {say("protocolAndFormStandardOfTheCell")}
          </Typography>
        )}
      </Box>
      {removing && (
        <ConfirmDialog
          title={say("removeThisSheet")}
          verb={say("remove")}
          busy={remove.isPending}
          onConfirm={() => remove.mutate(undefined, { onSuccess: () => void navigate("/test-days") })}
          onClose={() => setRemoving(false)}
        >
          {say("itsResultsStayWithTheAthletes")}
          {remove.error && <Typography color="error">{messageOf(remove.error)}</Typography>}
        </ConfirmDialog>
      )}
    </Box>
  );
}
