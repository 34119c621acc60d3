import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Fragment } from "react";
import { Link } from "react-router";
import type { Board, BoardColumn, MassUnit } from "../../shared/api/types";
import { useUnit } from "../../shared/account/useMe";
import { useReachable } from "../../shared/api/connection";
import { useLive } from "../../shared/live/live";
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
  const stations = board.columns
    .map((c) => c.station)
    .filter((s, i, all) => all.indexOf(s) === i)
    .map((station) => ({ station, columns: board.columns.filter((c) => c.station === station) }));
  if (board.columns.length === 0)
    return (
      <Box sx={{ gridRow: "2 / 4", display: "grid", placeContent: "center", textAlign: "center", gap: 3 }}>
        <Typography sx={{ fontSize: "3vw", fontWeight: 650 }}>{say("empty")}</Typography>
        <Typography color="textSecondary" sx={{ fontSize: "1.7vw" }}>
          {say("emptyHelp")}
        </Typography>
      </Box>
    );
  return (
    <Box
      sx={{
        gridRow: "2 / 4",
        display: "grid",
        minHeight: 0,
        gridTemplateColumns: `repeat(${board.columns.length}, minmax(0, 1fr))`,
        gridTemplateRows: rows,
      }}
    >
      {stations.map((s) => (
        <Typography
          key={s.station}
          component="h2"
          color="textSecondary"
          sx={{
            gridColumn: ["span", s.columns.length].join(" "),
            fontSize: "1.7vw",
            fontWeight: 600,
            borderTop: "3px solid",
            borderColor: "line2",
            mx: "0.6vw",
            py: "0.6vh",
            overflow: "hidden",
            textOverflow: "ellipsis",
            whiteSpace: "nowrap",
          }}
        >
          {stationName(s.station)}
        </Typography>
      ))}
      {stations.flatMap((s) => s.columns.map((c) => <Column key={c.session} column={c} now={now} />))}
    </Box>
  );
}

function Column({ column: c, now }: { column: BoardColumn; now: number }) {
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
          p: "5cqi",
          display: "flex",
          flexDirection: "column",
          fontSize: "max(11cqi, 14px)",
          lineHeight: 1.15,
          "& .quiet": goes ? {} : { color: "text.secondary" },
        }}
      >
        <Box component="b" sx={{ fontSize: "19cqi", lineHeight: 1.1, overflow: "hidden", textOverflow: "ellipsis" }}>
          {c.name}
        </Box>
        <Box component="b" sx={goes ? {} : { color: "primary.main" }}>
          {said}
        </Box>
        <Box
          sx={{ fontSize: "36cqi", fontWeight: 650, fontStretch: "112%", lineHeight: 1.05 }}
          role="timer"
          aria-live="off"
        >
          {isDone || !c.begun ? "–" : goes ? say("go") : clock(Math.abs(left))}
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
            <Box className="quiet" sx={{ minHeight: "2.3em", mt: "2cqi" }}>
              {c.movement}
            </Box>
            <Box sx={{ fontWeight: 650 }}>
              <Box component="span" sx={{ fontSize: "26cqi" }}>
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
            <Belt moves={moves} target={target} unit={unit} goes={goes} />
          </>
        )}
        {c.pain && (
          <Box
            sx={{
              mt: "auto",
              p: "4cqi",
              bgcolor: "warning.main",
              color: "warning.contrastText",
              display: "flex",
              gap: "4cqi",
              alignItems: "center",
              fontWeight: 650,
              "& svg": { width: "16cqi", height: "16cqi" },
              "& path:first-of-type": { fill: "currentColor" },
              "& path:last-of-type": { stroke: "var(--mui-palette-warning-main)" },
            }}
          >
            <StatusShape status="caution" title="" />
            <span>
              {say("pain")}
              <br />
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
}: {
  moves: ReturnType<typeof movesTo>;
  target: BoardColumn["on"];
  unit: MassUnit;
  goes: boolean;
}) {
  const { stay, off, on } = moves;
  const moving = goes ? {} : { color: "secondary.main" };
  if (target.length === 0 && off.length === 0)
    return (
      <Box component="b" className="quiet" sx={{ mt: "3cqi" }}>
        {say("noLoad")}
      </Box>
    );
  return (
    <Box sx={{ mt: "3cqi" }}>
      <Box className="quiet">
        {off.length === 0 && on.length === 0
          ? say("onBelt")
          : off.length > 0 && on.length > 0
            ? say("changeBelt")
            : on.length > 0
              ? say("addToBelt")
              : say("takeOff")}
      </Box>
      <Box component="b" sx={{ fontSize: "14cqi", ...(off.length + on.length > 0 ? moving : {}) }}>
        {off.length > 0 && on.length > 0
          ? say("only", { pieces: piecesText(target, unit) })
          : piecesText(on.length > 0 ? on : off.length > 0 ? off : target, unit)}
      </Box>
      {stay.length > 0 && off.length + on.length > 0 && (
        <Box className="quiet">{say("stayOn", { pieces: piecesText(stay, unit) })}</Box>
      )}
      <Box sx={{ mt: "2cqi", "& svg": { width: "70cqi", height: "auto", maxHeight: "22vh" } }}>
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
