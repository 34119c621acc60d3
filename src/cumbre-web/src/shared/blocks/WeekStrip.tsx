import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import type { Block, Pattern, ProgrammeCaution, WeekReading } from "../api/types";
import { dayShort, listed } from "../ui/format";
import { StatusShape } from "../ui/StatusShape";
import { addDays } from "./doc";
import { weekKinds } from "./wording";
import { say as word } from "../../words/common";
import { say } from "../../words/blocks";

const families: { name: string; patterns: Pattern[]; fill: string }[] = [
  { name: "pull", patterns: ["vertical pull", "horizontal pull"], fill: "var(--mui-palette-text-primary)" },
  { name: "push", patterns: ["vertical push", "horizontal push"], fill: "var(--mui-palette-rock)" },
  {
    name: say("straightArmFlag"),
    patterns: ["straight-arm pull", "straight-arm push", "lateral (flag)"],
    fill: "repeating-linear-gradient(45deg, var(--mui-palette-primary-main) 0 3px, var(--mui-palette-background-paper) 3px 5px)",
  },
  { name: say("trunkLegs"), patterns: ["trunk", "legs"], fill: "var(--mui-palette-line2)" },
];

/** The weeks of the block: what each holds, and which is open. */
export function WeekStrip({
  block,
  weeks,
  cautions,
  open,
  onOpen,
  today,
}: {
  block: Block;
  weeks: WeekReading[];
  cautions: ProgrammeCaution[];
  open: number;
  onOpen: (week: number) => void;
  today: string;
}) {
  const most = Math.max(20, ...weeks.map((w) => w.hardSets));
  return (
    <Box>
      <Box
        role="tablist"
        aria-label={say("weeks")}
        sx={(t) => ({ display: "flex", border: `1px solid ${t.vars.palette.line2}`, overflowX: "auto" })}
      >
        {block.weeks.map((week, i) => {
          const reading = weeks[i];
          const monday = addDays(block.start, 7 * i);
          const on = i === open;
          const now = today >= monday && today <= addDays(monday, 6);
          const caution = cautions.some((c) => c.week === i + 1 && !c.keptBecause);
          return (
            <ButtonBase
              key={i}
              role="tab"
              aria-selected={on}
              onClick={() => onOpen(i)}
              sx={(t) => ({
                flex: "1 0 134px",
                whiteSpace: "nowrap",
                display: "block",
                textAlign: "left",
                px: 2.5,
                py: 2,
                bgcolor: on ? "background.paper" : "transparent",
                borderLeft: i > 0 ? `1px solid ${t.vars.palette.line2}` : 0,
                boxShadow: on ? `inset 0 -3px 0 ${t.vars.palette.text.primary}` : "none",
                fontSize: 13,
                lineHeight: "16px",
                fontStretch: "92%",
              })}
            >
              <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
                <b>{say("week4", { i: i + 1 })}</b>
                {caution && <StatusShape status="caution" title={say("hasACaution")} />}
                <Box component="span" sx={{ ml: "auto", color: "text.secondary" }}>
                  {dayShort(monday)}
                </Box>
              </Box>
              <Box aria-hidden sx={{ display: "flex", height: 12, my: 1.5, gap: "2px" }}>
                {families.map((f) => {
                  const sets = (reading?.patterns ?? [])
                    .filter((p) => f.patterns.includes(p.pattern))
                    .reduce((sum, p) => sum + p.sets, 0);
                  return (
                    sets > 0 && (
                      <Box key={f.name} data-bar sx={{ width: `${(100 * sets) / most}%`, background: f.fill }} />
                    )
                  );
                })}
              </Box>
              <Box sx={{ display: "flex", justifyContent: "space-between", color: "text.secondary" }}>
                <span>
                  <b>{reading?.hardSets ?? "–"}</b> {say("hardSets")}
                </span>
                <span>{listed(week.kind !== "Loading" && weekKinds[week.kind], now && word("now"))}</span>
              </Box>
            </ButtonBase>
          );
        })}
      </Box>
      <Box sx={{ display: { xs: "none", sm: "flex" }, gap: 4, mt: 1.5, alignItems: "center", flexWrap: "wrap" }}>
        {families.map((f) => (
          <Typography key={f.name} variant="caption" sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
            <Box aria-hidden data-bar sx={{ width: 12, height: 12, background: f.fill }} />
            {f.name}
          </Typography>
        ))}
        <Typography variant="caption" color="textSecondary" sx={{ ml: "auto" }}>
          {say("barLengthHardSetsOf", { most })}
        </Typography>
      </Box>
    </Box>
  );
}
