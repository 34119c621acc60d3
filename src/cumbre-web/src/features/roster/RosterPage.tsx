import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableSortLabel from "@mui/material/TableSortLabel";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation, useNavigate, useSearchParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { ErasureReceipt, RosterRow } from "../../shared/api/types";
import { SmallRidge } from "../../shared/ladders/SmallRidge";
import { dayShort, dayWeek, mass } from "../../shared/ui/format";
import { Empty, Failed, Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { filterRoster, type RosterFilter, rosterFilters, type RosterSort, rosterSorts, sortRoster } from "./filter";
import { say as word } from "../../words/common";
import { say } from "../../words/roster";
import { inSentence } from "../../shared/ui/nameWords";

const rowsAtOnce = 50;

/** All athletes of the club: goals, tests, what needs an eye. */
export default function RosterPage() {
  const [params, setParams] = useSearchParams();
  const show = (params.get("show") ?? "") as RosterFilter;
  const roster = useQuery(rosterQuery(show === "archived"));
  // Typed here and copied to the address: the address follows too slowly to type into.
  const [wanted, setWanted] = useState(params.get("name") ?? "");
  const page = Math.max(1, Number(params.get("page")) || 1);
  const set = (name: string, value: string) =>
    setParams(
      (before) => {
        if (value) before.set(name, value);
        else before.delete(name);
        if (name !== "page") before.delete("page");
        return before;
      },
      { replace: true },
    );
  const by = sortOf(params.get("sort"));
  const down = params.get("down") === "1";
  const rows = sortRoster(filterRoster(roster.data ?? [], wanted, show), by, down);
  const sort = (column: RosterSort) =>
    setParams(
      (before) => {
        before.set("sort", column);
        if (column === by && !down) before.set("down", "1");
        else before.delete("down");
        before.delete("page");
        return before;
      },
      { replace: true },
    );
  const pages = Math.max(1, Math.ceil(rows.length / rowsAtOnce));
  const at = Math.min(page, pages);
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Erased />
      <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap", mb: 3 }}>
        <Typography variant="h1">{say("roster")}</Typography>
        <Typography color="textSecondary" sx={{ mr: "auto" }} role="status">
          {roster.data &&
            (rows.length === roster.data.length
              ? say("athletes", { data: roster.data.length })
              : say("ofAthletes", { rows: rows.length, data: roster.data.length }))}
        </Typography>
        <TextField
          select
          label={say("show")}
          value={show}
          onChange={(e) => set("show", e.target.value)}
          sx={{ width: 190 }}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          {Object.entries(rosterFilters).map(([value, label]) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label={say("name")}
          type="search"
          value={wanted}
          onChange={(e) => {
            setWanted(e.target.value);
            set("name", e.target.value);
          }}
          sx={{ width: 180 }}
        />
        <Button component={Link} to="/review" size="small">
          {say("clubReview")}
        </Button>
        <Button component={Link} to="/athletes/new" variant="contained" color="secondary">
          {say("newAthlete")}
        </Button>
      </Box>
      {roster.isPending && <Loading rows={8} />}
      {roster.isError && <Failed error={roster.error} retry={() => void roster.refetch()} />}
      {roster.data?.length === 0 && show !== "archived" && (
        <Empty
          title={say("noAthletesYet")}
          action={
            <Button component={Link} to="/athletes/new" variant="contained" color="secondary">
              {say("addTheFirstAthlete")}
            </Button>
          }
        >
          {say("aNameIsEnoughToBeginBody")}
        </Empty>
      )}
      {roster.data && (roster.data.length > 0 || show === "archived") && rows.length === 0 && (
        <Typography color="textSecondary">
          {show === "archived" && wanted === "" ? say("nobodyIsPutAway") : say("nobodyLikeThat")}
        </Typography>
      )}
      {rows.length > 0 && (
        <Rows rows={rows.slice((at - 1) * rowsAtOnce, at * rowsAtOnce)} by={by} down={down} onSort={sort} />
      )}
      {pages > 1 && (
        <Box component="nav" aria-label={say("pages")} sx={{ display: "flex", gap: 3, alignItems: "center", mt: 3 }}>
          <Button size="small" disabled={at === 1} onClick={() => set("page", String(at - 1))}>
            {say("earlier")}
          </Button>
          <Typography variant="body2">
            {say("toOf", {
              at: (at - 1) * rowsAtOnce + 1,
              min: Math.min(at * rowsAtOnce, rows.length),
              rows: rows.length,
            })}
          </Typography>
          <Button size="small" disabled={at === pages} onClick={() => set("page", String(at + 1))}>
            {say("later")}
          </Button>
        </Box>
      )}
    </Box>
  );
}

function sortOf(column: string | null): RosterSort {
  return column !== null && column in rosterSorts ? (column as RosterSort) : "name";
}

function Rows({
  rows,
  by,
  down,
  onSort,
}: {
  rows: RosterRow[];
  by: RosterSort;
  down: boolean;
  onSort: (column: RosterSort) => void;
}) {
  const head = (column: RosterSort, label: string, align: "left" | "right" = "right") => (
    <TableCell align={align} sortDirection={by === column && (down ? "desc" : "asc")}>
      <TableSortLabel
        active={by === column}
        direction={by === column && down ? "desc" : "asc"}
        onClick={() => onSort(column)}
      >
        {label}
      </TableSortLabel>
    </TableCell>
  );
  const { today } = useSignedIn();
  const unit = useUnit();
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table aria-label={say("athletes2")} sx={{ minWidth: 760 }}>
        <TableHead>
          <TableRow>
            {head("name", word("name"), "left")}
            <TableCell>{say("goals")}</TableCell>
            {head("mass", word("bodyweight"))}
            {head("max", word("e1rm"))}
            {head("tested", word("tested"))}
            {head("last", word("last"))}
            {head("next", word("next"))}
            <TableCell sx={{ pl: 4 }}>{say("notes")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((r) => (
            <TableRow key={r.id} hover>
              <TableCell
                sx={{
                  fontWeight: 600,
                  fontSize: 14,
                  fontStretch: "100%",
                  minWidth: 110,
                  maxWidth: 240,
                  overflowWrap: "anywhere",
                }}
              >
                <Box
                  component={Link}
                  to={r.archived ? `/athletes/${r.id}/profile` : `/athletes/${r.id}`}
                  sx={{
                    color: "inherit",
                    textDecoration: "none",
                    "&:hover, &:focus-visible": { textDecoration: "underline" },
                  }}
                >
                  {r.name}
                </Box>
              </TableCell>
              <TableCell>
                <Goals row={r} />
              </TableCell>
              <TableCell align="right">{r.bodyMassKg === null ? "–" : mass(r.bodyMassKg, unit, 1)}</TableCell>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {r.oneRepMaxKg === null ? "–" : mass(r.oneRepMaxKg, unit, 1)}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                {r.lastTest ? dayShort(r.lastTest, today) : "–"}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                {r.lastSession ? dayShort(r.lastSession, today) : "–"}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                {r.nextSession ? (r.nextSession === today ? word("today") : dayWeek(r.nextSession)) : "–"}
              </TableCell>
              <TableCell sx={{ pl: 4 }}>
                <Notes row={r} />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function Goals({ row: r }: { row: RosterRow }) {
  const advancing = r.goals.filter((g) => g.kind === "Advance");
  if (advancing.length === 0)
    return (
      <Link to={`/athletes/${r.id}/intake`}>{r.goals.length === 0 ? say("noGoalsYet") : say("maintainsOnly")}</Link>
    );
  return (
    <Box sx={{ display: "flex", gap: 3 }}>
      {advancing.map((g) => (
        <Box
          key={g.ridge.ladder}
          component={Link}
          to={`/athletes/${r.id}/ladders?ladder=${g.ridge.ladder}`}
          sx={{ width: 110, color: "inherit", textDecoration: "none", fontSize: 12, lineHeight: "14px" }}
        >
          <SmallRidge ridge={g.ridge} width={110} height={32} />
          {g.ridge.name}
          <Box sx={{ color: "text.secondary" }}>{g.ridge.trainingName ?? say("beforeItsGate")}</Box>
        </Box>
      ))}
    </Box>
  );
}

function Notes({ row: r }: { row: RosterRow }) {
  const stale = r.goals.reduce((n, g) => n + g.staleTests, 0);
  const notes: [React.ReactNode, string, string?][] = [];
  if (r.stopped) notes.push([<StatusShape key="x" status="stop" title="" />, say("stoppedForPain")]);
  if (r.waiting) notes.push([<StatusShape key="w" status="pending" title="" />, say("decisionWaits")]);
  if (r.pain)
    notes.push([
      <StatusShape key="p" status="caution" title="" />,
      say("painAt", { place: r.pain.place, level: r.pain.level }),
    ]);
  if (r.openClearances.length > 0)
    notes.push([
      <StatusShape key="c" status="caution" title="" />,
      say("clearance", { openClearances: r.openClearances.map(inSentence).join(", ") }),
    ]);
  if (r.consentMissing) notes.push([<StatusShape key="g" status="caution" title="" />, say("guardiansConsentMissing")]);
  if (!r.intakeFinished) notes.push([null, say("intakeUnfinished"), `/athletes/${r.id}/intake`]);
  if (r.testCount === 0) notes.push([null, say("noTestsYet")]);
  else if (r.oneRepMaxStale || stale > 0) notes.push([null, stale > 0 ? say("old", { stale }) : say("heavyTestIsOld")]);
  if (r.bodyMassKg === null) notes.push([null, say("notWeighedYet")]);
  return (
    <Box sx={{ display: "flex", columnGap: 3, flexWrap: "wrap" }}>
      {notes.map(([shape, text, to]) => (
        <Box
          component="span"
          key={text}
          sx={{ display: "inline-flex", gap: 1, alignItems: "center", whiteSpace: "nowrap" }}
        >
          {shape}
          {to ? <Link to={to}>{text}</Link> : text}
        </Box>
      ))}
    </Box>
  );
}

/** What the erasure that led here took: figures, and nothing of the person. */
function Erased() {
  const { state } = useLocation() as { state: { erased?: ErasureReceipt } | null };
  const navigate = useNavigate();
  if (!state?.erased) return null;
  const { rows, messages, copies, mentions } = state.erased;
  return (
    <Alert
      severity="info"
      icon={false}
      sx={{ mb: 3 }}
      onClose={() => void navigate(".", { replace: true, state: null })}
      closeText={say("close")}
    >
      {say("erasedAPerson", { rows: Object.values(rows).reduce((sum, n) => sum + n, 0) })}{" "}
      {messages > 0 && say("erasedMessages", { messages })} {copies > 0 && say("erasedCopies", { copies })}{" "}
      {mentions > 0 && say("erasedMentions", { mentions })}
    </Alert>
  );
}
