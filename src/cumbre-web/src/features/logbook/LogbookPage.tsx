import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import Typography from "@mui/material/Typography";
import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { useKey } from "../../shared/keys/useKey";
import { movementsQuery } from "../../shared/ladders/useLadders";
import { number } from "../../shared/ui/format";
import { Empty, Failed, FailedPage, Loading } from "../../shared/ui/states";
import { say } from "../../words/logbook";
import { addressOf, anyDay, figureOf, filterOf, orderOf, sundayOf, type LogFilter, type LogOrder } from "./filter";
import { FixSetUp } from "./FixSetUp";
import { highestQuery, pagesQuery, sumsQuery } from "./queries";
import { Rows } from "./Rows";
import { SavedFilters } from "./SavedFilters";
import { Bests, chosenWeek, TooMany, Totals, Weeks } from "./Sums";

/** Everything that was logged: filtered, added up, corrected in place, and taken along. */
export default function LogbookPage() {
  const [address, setAddress] = useSearchParams();
  const filter = filterOf(address);
  const order = orderOf(address);
  const figure = figureOf(order);
  const pages = useInfiniteQuery({
    ...pagesQuery(filter, figure === null ? (order as Exclude<LogOrder, "Load" | "Amount" | "Pain">) : "Newest"),
    enabled: figure === null,
  });
  const highest = useQuery({ ...highestQuery(filter, figure ?? "Load"), enabled: figure !== null });
  const sums = useQuery(sumsQuery(filter));
  // Without the weeks one sees only the chosen one: those around it come from the filter without its period.
  const week = chosenWeek(filter);
  const around = useQuery({ ...sumsQuery(anyDay(filter)), enabled: week !== null });
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [saved, setSaved] = useState(false);
  const [fixing, setFixing] = useState(false);
  const movement = useQuery(movementsQuery).data?.find((m) => m.slug === filter.movement);
  const [correcting, setCorrecting] = useState<string | null>(null);
  const table = useRef<HTMLDivElement>(null);
  const read = figure === null ? pages : highest;
  const sessions = (figure === null ? pages.data?.pages.flatMap((p) => p.sessions) : highest.data?.sessions) ?? [];
  const ask = (change: Partial<LogFilter>, nextOrder: LogOrder = order) => {
    setCorrecting(null);
    setAddress(addressOf({ ...filter, ...change }, nextOrder), { replace: true });
  };
  const fold = (session: string) =>
    setFolded((all) => {
      const next = new Set(all);
      if (!next.delete(session)) next.add(session);
      return next;
    });

  const row = () => document.activeElement?.closest<HTMLElement>("[data-row]") ?? null;
  const move = (by: number) => {
    const all = [...(table.current?.querySelectorAll<HTMLElement>("[data-row]") ?? [])];
    const at = all.indexOf(row()!);
    all[Math.min(all.length - 1, Math.max(0, at < 0 ? 0 : at + by))]?.focus();
  };
  useKey("rowDown", () => move(1));
  useKey("rowUp", () => move(-1));
  useKey("correct", () => row()?.querySelector<HTMLElement>("[data-correct]")?.click());
  useKey("fold", () => {
    const from = row();
    const session =
      from?.dataset.session ?? sessions.find((s) => s.sets.some((x) => x.set.id === from?.dataset.set))?.id;
    if (session === undefined) return;
    fold(session);
    table.current?.querySelector<HTMLElement>(`[data-session="${session}"]`)?.focus();
  });

  if (read.isError && !read.data) return <FailedPage error={read.error} retry={() => void read.refetch()} />;
  const isFiltered = Object.keys(filter).length > 0;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 1fr) 320px" },
        minHeight: "100%",
      }}
    >
      <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, minWidth: 0 }}>
        <Box sx={{ display: "flex", alignItems: "baseline", gap: 3, flexWrap: "wrap", mb: 3 }}>
          <Typography variant="h1">{say("logbook")}</Typography>
          <Typography color="textSecondary" role="status" sx={{ mr: "auto" }}>
            {sums.data &&
              (sums.data.more
                ? say("moreSets", { sets: sums.data.sets - 1 })
                : say("setsCount", { sets: sums.data.sets }))}
          </Typography>
          <Select
            label={say("order")}
            value={order}
            onChange={(next) => ask({}, next as LogOrder)}
            options={[
              ["Newest", say("newest")],
              ["Oldest", say("oldest")],
              ["Athlete", say("byAthlete")],
              ["Load", say("byLoad")],
              ["Amount", say("byAmount")],
              ["Pain", say("byPain")],
            ]}
            width={190}
          />
          <Button size="small" onClick={() => setSaved(true)}>
            {say("savedFilters")}
          </Button>
          <Button
            size="small"
            component="a"
            href={`/api/logbook/sets.csv?${csvAddress(filter, order)}`}
            download
            title={say("csvHelp")}
          >
            {say("downloadCsv")}
          </Button>
          <Button
            size="small"
            component="a"
            href={`/api/export.xlsx?${csvAddress(filter, order)}`}
            download
            title={say("bookHelp")}
          >
            {say("downloadBook")}
          </Button>
          {movement && movement.setUp.length > 0 && (
            <Button size="small" onClick={() => setFixing(true)}>
              {say("fixSetUp")}
            </Button>
          )}
          <Button size="small" component={Link} to="/exchange">
            {say("inAndOut")}
          </Button>
        </Box>
        {fixing && movement && <FixSetUp filter={filter} movement={movement} onClose={() => setFixing(false)} />}
        {saved && (
          <SavedFilters
            address={addressOf(filter, order).toString()}
            onChoose={(kept) => {
              setSaved(false);
              setCorrecting(null);
              setAddress(new URLSearchParams(kept), { replace: true });
            }}
            onClose={() => setSaved(false)}
          />
        )}
        <Filters key={filter.text ?? ""} filter={filter} onAsk={ask} />
        <Box ref={table}>
          {read.isPending ? (
            <Loading />
          ) : figure !== null && highest.data?.more ? (
            <Empty title={say("tooManyToSort")}>{say("nothingHelpSort")}</Empty>
          ) : sessions.length === 0 ? (
            <Empty title={isFiltered ? say("nothing") : say("nothingYet")}>
              {isFiltered ? say("nothingHelp") : say("nothingYetHelp")}
            </Empty>
          ) : (
            <Rows
              sessions={sessions}
              flat={figure !== null}
              folded={folded}
              onFold={fold}
              correcting={correcting}
              onCorrect={setCorrecting}
            />
          )}
        </Box>
        {sessions.length > 0 && (
          <Box sx={{ py: 3 }}>
            {figure !== null ? (
              <Typography color="textSecondary">{say("highest", { sets: sessions.length })}</Typography>
            ) : pages.hasNextPage ? (
              <Button onClick={() => void pages.fetchNextPage()} disabled={pages.isFetchingNextPage}>
                {say("more")}
              </Button>
            ) : (
              <Typography color="textSecondary">{say("all")}</Typography>
            )}
          </Box>
        )}
        {sums.data && !sums.data.more && sums.data.sets > 0 && (
          <Box
            sx={{
              position: "sticky",
              bottom: 0,
              py: 3,
              bgcolor: "background.default",
              borderTop: 2,
              borderColor: "text.primary",
            }}
          >
            <Totals sums={sums.data} />
          </Box>
        )}
      </Box>
      <Box
        component="aside"
        aria-label={say("filtered")}
        sx={(t) => ({
          px: { xs: 4, sm: 6, lg: 5 },
          py: 4,
          bgcolor: "background.paper",
          borderLeft: { lg: `1px solid ${t.vars.palette.line2}` },
        })}
      >
        <Typography variant="h2">{say("filtered")}</Typography>
        {sums.isPending && <Loading />}
        {sums.isError && <Failed error={sums.error} retry={() => void sums.refetch()} />}
        {sums.data?.more && <TooMany sums={sums.data} />}
        {sums.data && (
          <>
            <Weeks
              weeks={(week !== null && around.data ? around.data : sums.data).weeks}
              chosen={week}
              onChoose={(monday) =>
                ask(monday === week ? { from: undefined, to: undefined } : { from: monday, to: sundayOf(monday) })
              }
            />
            <Bests sums={sums.data} />
          </>
        )}
      </Box>
    </Box>
  );
}

const csvAddress = (filter: LogFilter, order: LogOrder) =>
  new URLSearchParams([
    ...Object.entries(filter).map(([name, value]) => [name, String(value)]),
    // A table is sorted where it is opened.
    ["order", figureOf(order) === null ? order : "Newest"],
  ]).toString();

function Filters({ filter, onAsk }: { filter: LogFilter; onAsk: (change: Partial<LogFilter>) => void }) {
  const athletes = useQuery(rosterQuery()).data ?? [];
  const movements = useQuery(movementsQuery).data ?? [];
  const [text, setText] = useState(filter.text ?? "");
  const sendText = () => onAsk({ text: text.trim() || undefined });
  return (
    <Box
      component="form"
      aria-label={say("filters")}
      onSubmit={(e) => {
        e.preventDefault();
        sendText();
      }}
      sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center", mb: 4 }}
    >
      <Autocomplete
        size="small"
        sx={{ width: 190 }}
        options={[...athletes].sort((a, b) => a.name.localeCompare(b.name))}
        getOptionLabel={(a) => a.name}
        getOptionKey={(a) => a.id}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        value={athletes.find((a) => a.id === filter.athlete) ?? null}
        onChange={(_, a) => onAsk({ athlete: a?.id })}
        renderInput={(params) => <TextField {...params} label={say("athlete")} />}
      />
      <Autocomplete
        size="small"
        sx={{ width: 220 }}
        options={movements}
        getOptionLabel={(m) => m.name}
        getOptionKey={(m) => m.slug}
        isOptionEqualToValue={(a, b) => a.slug === b.slug}
        value={movements.find((m) => m.slug === filter.movement) ?? null}
        onChange={(_, m) => onAsk({ movement: m?.slug })}
        renderInput={(params) => <TextField {...params} label={say("movement")} />}
      />
      <TextField
        size="small"
        type="date"
        label={say("from")}
        value={filter.from ?? ""}
        onChange={(e) => onAsk({ from: e.target.value || undefined })}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ width: 140 }}
      />
      <TextField
        size="small"
        type="date"
        label={say("to")}
        value={filter.to ?? ""}
        onChange={(e) => onAsk({ to: e.target.value || undefined })}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ width: 140 }}
      />
      <Select
        label={say("form")}
        value={filter.form ?? ""}
        onChange={(form) => onAsk({ form: form === "" ? undefined : (form as NonNullable<LogFilter["form"]>) })}
        options={[
          ["", say("any")],
          ["Clean", say("clean")],
          ["Broken", say("broken")],
        ]}
      />
      <Select
        label={say("week")}
        value={filter.easy === undefined ? "" : filter.easy ? "yes" : "no"}
        onChange={(easy) => onAsk({ easy: easy === "" ? undefined : easy === "yes" })}
        options={[
          ["", say("any")],
          ["yes", say("deload")],
          ["no", say("noDeload")],
        ]}
      />
      <Select
        label={say("reserve")}
        value={filter.reserve === undefined ? "" : String(filter.reserve)}
        onChange={(reserve) => onAsk({ reserve: reserve === "" ? undefined : Number(reserve) })}
        options={[["", say("any")], ...[0, 1, 2, 3].map((n): [string, string] => [String(n), number(n)])]}
        width={160}
      />
      <ToggleButton
        size="small"
        value="pain"
        selected={filter.pain === true}
        onChange={() => onAsk({ pain: filter.pain ? undefined : true })}
        sx={{ minHeight: 40 }}
      >
        {say("onlyPain")}
      </ToggleButton>
      <ToggleButton
        size="small"
        value="corrected"
        selected={filter.corrected === true}
        onChange={() => onAsk({ corrected: filter.corrected ? undefined : true })}
        sx={{ minHeight: 40 }}
      >
        {say("onlyCorrected")}
      </ToggleButton>
      <TextField
        size="small"
        label={say("text")}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => text !== (filter.text ?? "") && sendText()}
        slotProps={{ htmlInput: { maxLength: 60 } }}
        sx={{ width: 190 }}
      />
      {Object.keys(filter).length > 0 && (
        <Button
          size="small"
          variant="text"
          sx={{ minHeight: 40 }}
          onClick={() => {
            setText("");
            onAsk(Object.fromEntries(Object.keys(filter).map((name) => [name, undefined])));
          }}
        >
          {say("clear")}
        </Button>
      )}
    </Box>
  );
}

function Select({
  label,
  value,
  options,
  onChange,
  width = 120,
}: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
  width?: number;
}) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ width }}
    >
      {options.map(([key, text]) => (
        <MenuItem key={key} value={key}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}
