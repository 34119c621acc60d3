import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { LogbookSums } from "../../shared/api/types";
import { valueText } from "../../shared/athletes/trendText";
import { dayShort, mass, number } from "../../shared/ui/format";
import { say } from "../../words/logbook";
import { sundayOf } from "./filter";

/** Week after week, those without a set too: a gap stays a gap. */
export function everyWeek(weeks: LogbookSums["weeks"]) {
  const [first, last] = [weeks[0], weeks.at(-1)];
  if (!first || !last) return [];
  const all: LogbookSums["weeks"] = [];
  for (const monday = new Date(`${first.monday}T00:00Z`); ; monday.setUTCDate(monday.getUTCDate() + 7)) {
    const day = monday.toISOString().slice(0, 10);
    all.push({ monday: day, sets: weeks.find((w) => w.monday === day)?.sets ?? 0 });
    if (day >= last.monday) return all;
  }
}

const weeksShown = 26;
const tall = 84;

/** The sets of each week as bars; one is chosen to see it alone. */
export function Weeks({
  weeks,
  chosen,
  onChoose,
}: {
  weeks: LogbookSums["weeks"];
  /** The Monday of the week that is seen alone. */
  chosen: string | null;
  onChoose: (monday: string) => void;
}) {
  const { today } = useSignedIn();
  const shown = everyWeek(weeks).slice(-weeksShown);
  const most = Math.max(1, ...shown.map((w) => w.sets));
  if (shown.length === 0) return null;
  return (
    <Box component="section" aria-label={say("setsByWeek")} sx={{ py: 4, borderBottom: 1, borderColor: "line2" }}>
      <Typography variant="h3" sx={{ fontSize: 13, fontWeight: 600 }}>
        {say("setsByWeek")}{" "}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
          {say("setsByWeekHelp")}
        </Box>
      </Typography>
      <Box
        sx={{ display: "flex", alignItems: "end", gap: "3px", height: tall + 18, borderBottom: 1, borderColor: "rock" }}
      >
        {shown.map((w) => (
          <ButtonBase
            key={w.monday}
            aria-label={say("setsInWeek", { day: dayShort(w.monday, today), sets: w.sets })}
            aria-pressed={chosen === w.monday}
            disabled={w.sets === 0}
            onClick={() => onChoose(w.monday)}
            sx={{
              flex: 1,
              minWidth: 0,
              height: "100%",
              flexDirection: "column",
              justifyContent: "end",
              fontSize: 12,
              outlineOffset: -2,
              ...(chosen === w.monday && { boxShadow: "inset 0 0 0 2px var(--mui-palette-primary-main)" }),
            }}
          >
            {shown.length <= 13 && w.sets > 0 ? w.sets : ""}
            <Box
              sx={{ width: "100%", bgcolor: chosen === w.monday ? "text.primary" : "rock" }}
              style={{ height: (w.sets / most) * tall }}
            />
          </ButtonBase>
        ))}
      </Box>
      <Box sx={{ display: "flex", justifyContent: "space-between", color: "text.secondary", fontSize: 12 }}>
        <span>{dayShort(shown[0]!.monday, today)}</span>
        <span>{dayShort(shown.at(-1)!.monday, today)}</span>
      </Box>
    </Box>
  );
}

/** The best of each athlete in one movement; of a load over the bodyweight, with the range of the estimate. */
export function Bests({ sums }: { sums: LogbookSums }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const { bests, measure } = sums;
  if (measure === null || bests.length === 0) return null;
  const isLoad = measure === "OneRepMax";
  const over = (value: number | null, body: number | null) => (value === null || !body ? null : value / body);
  const ends = bests.flatMap((b) =>
    isLoad
      ? [over(b.low, b.bodyMassKg), over(b.high, b.bodyMassKg)].filter((v): v is number => v !== null)
      : [0, b.value],
  );
  const [from, to] = [Math.min(...ends), Math.max(...ends)];
  const at = (value: number) => (to === from ? 50 : ((value - from) / (to - from)) * 100);
  return (
    <Box component="section" aria-label={say("best")} sx={{ py: 4 }}>
      <Typography variant="h3" sx={{ fontSize: 13, fontWeight: 600 }}>
        {say("best")}{" "}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
          {isLoad ? say("bestLoad") : say(measure === "Seconds" ? "bestSeconds" : "bestReps")}
        </Box>
      </Typography>
      <Box component="ul" aria-label={say("best")} sx={{ listStyle: "none", m: 0, p: 0 }}>
        {bests.map((b) => {
          const ratio = over(b.value, b.bodyMassKg);
          const [low, high] = [over(b.low, b.bodyMassKg), over(b.high, b.bodyMassKg)];
          const point = isLoad ? ratio : b.value;
          return (
            <Box component="li" key={b.athlete} sx={{ py: 1.5, fontSize: 13 }}>
              <Box sx={{ display: "flex", columnGap: 2, justifyContent: "space-between", flexWrap: "wrap" }}>
                <Box component={Link} to={`/athletes/${b.athlete}`} sx={{ color: "inherit" }}>
                  {b.name}
                </Box>
                <span>
                  <b>{valueText(measure, b.value, unit)}</b>
                  {isLoad && ratio !== null && `, ${say("ratio", { ratio: number(ratio) })}`}, {dayShort(b.day, today)}
                </span>
              </Box>
              {point !== null && (
                <Box aria-hidden sx={{ position: "relative", height: 12, bgcolor: "background.default" }}>
                  {low !== null && high !== null && (
                    <Box
                      sx={{ position: "absolute", top: 5, height: 3, bgcolor: "primary.main" }}
                      style={{ left: `${at(low)}%`, width: `${Math.max(1, at(high) - at(low))}%` }}
                    />
                  )}
                  <Box
                    sx={{ position: "absolute", top: 2, width: 9, height: 9, ml: "-4px", bgcolor: "primary.main" }}
                    style={{ left: `${at(point)}%` }}
                  />
                </Box>
              )}
            </Box>
          );
        })}
      </Box>
      {isLoad && (
        <Box sx={{ display: "flex", justifyContent: "space-between", color: "text.secondary", fontSize: 12 }}>
          <span>{number(from)}</span>
          <span>{number(to)}</span>
        </Box>
      )}
    </Box>
  );
}

/** The figures of all that is filtered, in one row. */
export function Totals({ sums: s }: { sums: LogbookSums }) {
  const unit = useUnit();
  const figures: (readonly [string, string] | false)[] = [
    [number(s.sets), say("sets", { sets: s.sets })],
    [number(s.sessions), say("sessions", { sessions: s.sessions })],
    [number(s.athletes), say("athletes", { athletes: s.athletes })],
    s.reps > 0 && [number(s.reps), say("reps", { reps: s.reps })],
    s.seconds > 0 && [`${number(s.seconds)} s`, say("held")],
    s.reps > 0 && s.volumeKg !== null && [mass(s.volumeKg, unit, 1), say("volume")],
    s.meanReserve !== null && [number(s.meanReserve, 1), say("meanReserve", { told: s.reserveTold })],
    [number(s.clean), say("cleanSets", { sets: s.sets })],
    s.pain > 0 && [number(s.pain), say("painSets")],
  ];
  return (
    <Box
      component="dl"
      aria-label={say("filtered")}
      sx={{ m: 0, display: "flex", columnGap: 6, rowGap: 2, flexWrap: "wrap", fontSize: 13 }}
    >
      {figures
        .filter((f) => f !== false)
        .map(([figure, name]) => (
          <Box key={name} sx={{ display: "flex", flexDirection: "column-reverse" }}>
            <Box component="dt" sx={{ color: "text.secondary" }}>
              {name}
            </Box>
            <Box component="dd" sx={{ m: 0, fontWeight: 650, fontSize: 15 }}>
              {figure}
            </Box>
          </Box>
        ))}
    </Box>
  );
}

/** Of too many sets only how many there are is told. */
export function TooMany({ sums }: { sums: LogbookSums }) {
  return <Typography color="textSecondary">{say("tooMany", { most: sums.sets - 1 })}</Typography>;
}

/** The week that is seen alone; null: the period is another. */
export const chosenWeek = (filter: { from?: string; to?: string }) =>
  filter.from && filter.to === sundayOf(filter.from) ? filter.from : null;
