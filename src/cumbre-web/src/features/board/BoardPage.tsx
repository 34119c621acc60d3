import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Fragment } from "react";
import { Link } from "react-router";
import type { Board, BoardColumn, MassUnit } from "../../shared/api/types";
import { useUnit } from "../../shared/account/useMe";
import { useReachable } from "../../shared/api/connection";
import { useLive } from "../../shared/live/live";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { movesTo } from "../../shared/run/plates";
import { loadText, piecesText } from "../../shared/run/runText";
import { clock, moment, number, timeOf } from "../../shared/ui/format";
import { Mark } from "../../shared/ui/Mark";
import { Plates } from "../../shared/ui/Plates";
import { FailedPage, Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { useNow } from "../../shared/ui/useNow";
import { say } from "../../words/board";
import { boardQuery, stationName } from "./useBoard";

const rows = "auto minmax(0, 1fr)";

/** So many stand side by side and are read from the other end of the gym; more make a second row. */
const mostAbreast = 8;

/** The wall of the hall: one column an athlete, grouped by station, read from five metres. */
export default function BoardPage() {
  const queries = useQueryClient();
  const board = useQuery({ ...boardQuery, refetchInterval: 30_000 });
  useLive(() => void queries.invalidateQueries({ queryKey: boardQuery.queryKey }));
  const reachable = useReachable();
  const now = useNow();
  if (board.isPending) return <Loading />;
  if (board.isError) return <FailedPage error={board.error} retry={() => void board.refetch()} />;
  const clockOff = Date.parse(board.data.now) - board.dataUpdatedAt;
  return (
    <Box
      component="main"
      data-scheme="dark"
      sx={{
        height: "100dvh",
        overflow: "hidden",
        display: "grid",
        gridTemplateRows: ["auto", rows, "auto"].join(" "),
        bgcolor: "background.default",
        color: "text.primary",
        colorScheme: "dark",
        fontVariantNumeric: "tabular-nums lining-nums",
      }}
    >
      <Box
        component="header"
        sx={{ display: "flex", alignItems: "center", gap: "2vw", px: "1.6vw", py: "1vh", fontSize: "1.9vw" }}
      >
        <Box component="nav" aria-label={say("class")}>
          <Box component={Link} to="/class" aria-label={say("class")} sx={{ color: "inherit" }}>
            <Mark />
          </Box>
        </Box>
        <Typography component="h1" sx={{ fontSize: "inherit", fontWeight: 650, fontStretch: "112%" }}>
          {board.data.club}
        </Typography>
        <Box component="span" sx={{ color: "text.secondary", mr: "auto" }}>
          {say("athletes", { athletes: board.data.columns.length })}
        </Box>
        {!reachable && (
          <Box component="span" role="alert" sx={{ color: "warning.main" }}>
            {say("lost", { moment: moment(new Date(board.dataUpdatedAt).toISOString()) })}
          </Box>
        )}
        <b>{timeOf(new Date(now + clockOff).toISOString())}</b>
      </Box>
      <Columns board={board.data} now={now + clockOff} />
      <Foot board={board.data} now={now + clockOff} />
    </Box>
  );
}

function Columns({ board, now }: { board: Board; now: number }) {
  if (board.columns.length === 0)
    return (
      <Box sx={{ gridRow: "2 / 4", display: "grid", placeContent: "center", textAlign: "center", gap: 3 }}>
        <Typography sx={{ fontSize: "3vw", fontWeight: 650 }}>{say("empty")}</Typography>
        <Typography color="textSecondary" sx={{ fontSize: "1.7vw" }}>
          {say("emptyHelp")}
        </Typography>
      </Box>
    );
  const stations = board.columns.map((c) => c.station).filter((s, i, all) => all.indexOf(s) === i);
  const ordered = stations.flatMap((station) => board.columns.filter((c) => c.station === station));
  const abreast = Math.ceil(ordered.length / Math.ceil(ordered.length / mostAbreast));
  const lines = Array.from({ length: Math.ceil(ordered.length / abreast) }, (_, i) =>
    ordered.slice(i * abreast, (i + 1) * abreast),
  );
  return (
    <Box sx={{ gridRow: "2 / 4", display: "grid", minHeight: 0, gridAutoRows: "minmax(0, 1fr)" }}>
      {lines.map((line) => (
        <Line key={line[0]!.session} columns={line} abreast={abreast} isDense={lines.length > 1} now={now} />
      ))}
    </Box>
  );
}

/** Columns side by side, under the names of their stations. */
function Line({
  columns,
  abreast,
  isDense,
  now,
}: {
  columns: BoardColumn[];
  abreast: number;
  isDense: boolean;
  now: number;
}) {
  const stations = columns.map((c) => c.station).filter((s, i, all) => all.indexOf(s) === i);
  return (
    <Box
      sx={{
        display: "grid",
        minHeight: 0,
        gridTemplateColumns: `repeat(${abreast}, minmax(0, 1fr))`,
        gridTemplateRows: rows,
      }}
    >
      {stations.map((station) => {
        const count = columns.filter((c) => c.station === station).length;
        return (
          <Typography
            key={station}
            component="h2"
            color="textSecondary"
            sx={{
              gridColumn: ["span", count].join(" "),
              fontSize: isDense ? "1.5vw" : "1.7vw",
              fontWeight: 600,
              borderTop: "3px solid",
              borderColor: "line2",
              mx: "0.6vw",
              py: isDense ? 0 : "0.6vh",
              lineHeight: isDense ? 1.1 : undefined,
              overflow: "hidden",
              textOverflow: "ellipsis",
              whiteSpace: "nowrap",
            }}
          >
            {stationName(station)}
          </Typography>
        );
      })}
      {/* A line that is not full begins its columns below all of its names. */}
      {columns.length < abreast && <Box sx={{ gridColumn: ["span", abreast - columns.length].join(" ") }} />}
      {columns.map((c) => (
        <Column key={c.session} column={c} now={now} isDense={isDense} />
      ))}
    </Box>
  );
}

/** Sizes of a column in hundredths of its width: of a whole screen high, and of half of it. */
const whole = {
  text: "max(11cqi, 14px)",
  name: "19cqi",
  clock: "36cqi",
  figure: "26cqi",
  belt: "14cqi",
  plates: "22vh",
};
const half = {
  text: "max(8.6cqi, 14px)",
  name: "12cqi",
  clock: "25cqi",
  figure: "18cqi",
  belt: "9.5cqi",
  plates: "9vh",
};

function Column({ column: c, now, isDense }: { column: BoardColumn; now: number; isDense: boolean }) {
  const size = isDense ? half : whole;
  const reader = useUnit();
  const unit: MassUnit = c.unit ?? reader;
  const left = Math.ceil((Date.parse(c.readyAt) - now) / 1000);
  const isDone = c.movement === null;
  const goes = !isDone && c.begun && c.turn !== "After" && left <= 0;
  const target = c.load?.pieces ?? [];
  const moves = movesTo(c.on, target);
  const said = isDone
    ? say("done")
    : !c.begun
      ? say("notBegun")
      : goes
        ? say("yourTurn")
        : c.turn === "After" && c.after
          ? say("after", { name: c.after })
          : say("resting");
  return (
    <Box
      component="section"
      aria-label={`${c.name}, ${said}`}
      sx={{
        containerType: "inline-size",
        minWidth: 0,
        borderLeft: "1px solid",
        borderColor: "line2",
        ...(goes && { bgcolor: "primary.main", color: "primary.contrastText" }),
      }}
    >
      <Box
        sx={{
          height: "100%",
          p: isDense ? "3cqi 5cqi" : "5cqi",
          display: "flex",
          flexDirection: "column",
          position: "relative",
          overflow: "hidden",
          "& > *": { flex: "none" },
          fontSize: size.text,
          lineHeight: 1.15,
          "& .quiet": goes ? {} : { color: "text.secondary" },
        }}
      >
        <Box component="b" sx={{ fontSize: size.name, lineHeight: 1.1, overflow: "hidden", textOverflow: "ellipsis" }}>
          {c.name}
        </Box>
        <Box component="b" sx={goes ? {} : { color: "primary.main" }}>
          {said}
        </Box>
        <Box
          sx={{ fontSize: size.clock, fontWeight: 650, fontStretch: "112%", lineHeight: 1.05 }}
          role="timer"
          aria-live="off"
        >
          {isDone || !c.begun ? "–" : goes ? say("go") : clock(Math.max(0, left))}
        </Box>
        {c.begun && !goes && !isDone && c.restSeconds > 0 && (
          <Box sx={{ height: "4cqi", bgcolor: "background.paper", my: "2cqi" }}>
            <Box
              sx={{ height: "100%", bgcolor: "primary.main" }}
              style={{ width: `${Math.max(0, Math.min(100, (left / c.restSeconds) * 100))}%` }}
            />
          </Box>
        )}
        {c.effort && (
          <>
            <Box
              className="quiet"
              sx={
                isDense
                  ? { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }
                  : { minHeight: "2.3em", mt: "2cqi" }
              }
            >
              {c.movement}
            </Box>
            {!isDense && c.slug && (
              <Box sx={{ "& svg": { width: "40cqi", height: "40cqi", mx: "auto" } }}>
                <MovementFigure movement={c.slug} size={160} />
              </Box>
            )}
            <Box sx={{ fontWeight: 650 }}>
              <Box component="span" sx={{ fontSize: size.figure }}>
                {c.effort.seconds ??
                  (c.effort.repsLow === c.effort.repsHigh
                    ? c.effort.repsHigh
                    : `${c.effort.repsLow}–${c.effort.repsHigh}`)}
              </Box>{" "}
              {c.effort.seconds !== null && `${say("seconds")} `}
              {c.effort.side !== null
                ? say("aSide")
                : c.deload
                  ? say("deload")
                  : c.load && c.load.added.value !== 0
                    ? loadText(c.load, unit)
                    : c.effort.seconds === null
                      ? say("reps", { n: c.effort.repsHigh })
                      : ""}
            </Box>
            <Box className="quiet">
              {"■".repeat(Math.max(0, c.set - 1))}
              {"□".repeat(Math.max(0, c.sets - c.set + 1))} {say("set", { set: c.set, sets: c.sets })}
            </Box>
            <Belt moves={moves} target={target} unit={unit} goes={goes} size={size} />
          </>
        )}
        {c.pain && (
          <Box
            sx={{
              mt: "auto",
              p: isDense ? "1cqi 3cqi" : "4cqi",
              bgcolor: "warning.main",
              color: "warning.contrastText",
              display: "flex",
              gap: "4cqi",
              alignItems: "center",
              fontWeight: 650,
              "& svg": isDense ? { width: "9cqi", height: "9cqi" } : { width: "16cqi", height: "16cqi" },
              "& path:first-of-type": { fill: "currentColor" },
              "& path:last-of-type": { stroke: "var(--mui-palette-warning-main)" },
            }}
          >
            <StatusShape status="caution" title="" />
            <span>
              {say("pain")}
              {isDense ? ", " : <br />}
              {say("seeCoach")}
            </span>
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** What to do with the belt before the set: only what moves is coloured and dashed. */
function Belt({
  moves,
  target,
  unit,
  goes,
  size,
}: {
  moves: ReturnType<typeof movesTo>;
  target: BoardColumn["on"];
  unit: MassUnit;
  goes: boolean;
  size: typeof whole;
}) {
  const { stay, off, on } = moves;
  const moving = goes ? {} : { color: "secondary.main" };
  if (target.length === 0 && off.length === 0)
    return (
      <Box component="b" className="quiet" sx={{ mt: "2cqi" }}>
        {say("noLoad")}
      </Box>
    );
  return (
    <Box sx={{ mt: "2cqi" }}>
      <Box className="quiet">
        {off.length === 0 && on.length === 0
          ? say("onBelt")
          : off.length > 0 && on.length > 0
            ? say("changeBelt")
            : on.length > 0
              ? say("addToBelt")
              : say("takeOff")}
      </Box>
      <Box component="b" sx={{ fontSize: size.belt, ...(off.length + on.length > 0 ? moving : {}) }}>
        {off.length > 0 && on.length > 0
          ? say("only", { pieces: piecesText(target, unit) })
          : piecesText(on.length > 0 ? on : off.length > 0 ? off : target, unit)}
      </Box>
      {stay.length > 0 && off.length + on.length > 0 && (
        <Box className="quiet">{say("stayOn", { pieces: piecesText(stay, unit) })}</Box>
      )}
      <Box
        sx={
          size === half
            ? // Beside the clock, where there is room.
              {
                position: "absolute",
                right: "4cqi",
                top: "12cqi",
                "& svg": { width: "34cqi", height: "auto", maxHeight: size.plates },
              }
            : { mt: "2cqi", "& svg": { width: "70cqi", height: "auto", maxHeight: size.plates } }
        }
      >
        <Plates pieces={stay} takeOff={on.length > 0 ? on : off} scale={1.6} />
      </Box>
    </Box>
  );
}

function Foot({ board, now }: { board: Board; now: number }) {
  const soon = board.columns
    .filter((c) => c.begun && c.movement !== null && Date.parse(c.readyAt) > now)
    .sort((a, b) => a.readyAt.localeCompare(b.readyAt))
    .slice(0, 3)
    .map((c) => say("upNextOne", { name: c.name, left: clock(Math.ceil((Date.parse(c.readyAt) - now) / 1000)) }));
  return (
    <Box
      component="footer"
      sx={{
        borderTop: "2px solid",
        borderColor: "line2",
        px: "1.6vw",
        py: "1vh",
        display: "flex",
        gap: "1.6vw",
        fontSize: "1.7vw",
        flexWrap: "wrap",
      }}
    >
      {board.rack.length > 0 && <Box sx={{ color: "text.secondary" }}>{say("onRack")}</Box>}
      {board.rack.map((p) => (
        <Fragment key={`${p.size.value}${p.size.unit}`}>
          {p.left < 0 ? (
            <Box sx={{ color: "warning.main", fontWeight: 650 }}>
              {say("short", { size: number(p.size.value), missing: -p.left })}
            </Box>
          ) : (
            <span>
              <b>{number(p.size.value)}</b> {"■".repeat(p.left)}
              {"□".repeat(p.count - p.left)}
            </span>
          )}
        </Fragment>
      ))}
      {board.beltsNeeded > board.belts && (
        <Box sx={{ color: "warning.main", fontWeight: 650 }}>
          {say("belts", { needed: board.beltsNeeded, athletes: board.columns.length, belts: board.belts })}
        </Box>
      )}
      {soon.length > 0 && <Box sx={{ ml: "auto" }}>{say("upNext", { names: soon.join(", ") })}</Box>}
    </Box>
  );
}
