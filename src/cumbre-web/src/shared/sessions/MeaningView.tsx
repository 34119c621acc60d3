import { Listed } from "../ui/Listed";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useUnit } from "../account/useMe";
import type { Load, MassUnit, Resolved } from "../api/types";
import { added, clock, mass, number } from "../ui/format";
import { Plates } from "../ui/Plates";
import { StatusShape } from "../ui/StatusShape";
import { cautionText } from "../why/wording";
import { WhyFigure } from "../why/WhyFigure";
import { DropProfile } from "./DropProfile";
import { say } from "../../words/sessions";

/** What a line means: loads with their reasons, plates, time. */
export function MeaningView({ plan, subject, keyPrefix }: { plan: Resolved; subject: string; keyPrefix: string }) {
  const unit = useUnit();
  const loadCautions = plan.loads
    .flatMap((l) => l.made.why.cautions)
    .filter((c, i, all) => all.findIndex((x) => x.id === c.id) === i)
    // What asks for a reason is shown where the reason is given.
    .filter((c) => !plan.cautions.some((x) => x.id === c.id));
  return (
    <Box>
      <Box
        sx={{ display: "flex", justifyContent: "space-between", gap: 4, flexWrap: "wrap", alignItems: "flex-start" }}
      >
        <Box sx={{ flex: "1 1 320px", minWidth: 0 }}>
          <Box
            component="dl"
            sx={{
              m: 0,
              display: "grid",
              gridTemplateColumns: "auto 1fr",
              columnGap: 4,
              rowGap: 0.5,
              fontSize: 13,
              lineHeight: "22px",
            }}
          >
            {plan.loads.map((load, i) => [
              <Box component="dt" key={`t${i}`} sx={{ color: "text.secondary" }}>
                {roleOf(plan, i)}
              </Box>,
              <Box component="dd" key={`d${i}`} sx={{ m: 0 }}>
                <LoadText load={load} plan={plan} index={i} subject={subject} keyPrefix={keyPrefix} unit={unit} />
              </Box>,
            ])}
            <Box component="dt" sx={{ color: "text.secondary" }}>
              {say("work")}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {say("setsAndReps", {
                sets: plan.setTotal,
                reps: plan.repTotal,
                tension: plan.tensionSeconds,
                hard: plan.hardSets,
              })}
            </Box>
            <Box component="dt" sx={{ color: "text.secondary" }}>
              {say("time")}
            </Box>
            <Box component="dd" sx={{ m: 0 }}>
              {say("inAllRest", { durationSeconds: clock(plan.durationSeconds), restSeconds: clock(plan.restSeconds) })}{" "}
              {plan.restAssumed && say("theUsualOneNoneIsWritten")}
            </Box>
          </Box>
          {plan.isDrop && plan.dropDistanceKg > 0 && (
            <Typography variant="body2" sx={{ mt: 1, color: "warning.main" }}>
              {say("overAllPartsOffWhatIsWritten", { dropDistanceKg: mass(plan.dropDistanceKg, unit) })}
            </Typography>
          )}
          {loadCautions.map((c) => (
            <Box key={c.id} sx={{ display: "flex", gap: 1.5, mt: 1, fontSize: 13, lineHeight: "17px" }}>
              <StatusShape status="caution" />
              <span>{cautionText(c, unit)}</span>
            </Box>
          ))}
        </Box>
        {plan.isDrop ? (
          <DropProfile plan={plan} />
        ) : (
          <Box sx={{ display: "flex", gap: 4 }}>
            {plan.loads
              .filter((l) => !isBare(l))
              .map((load, i) => (
                <Box key={i} sx={{ textAlign: "center" }}>
                  <Plates pieces={load.pieces} />
                  <Typography variant="caption" component="p" sx={{ fontWeight: 550 }}>
                    {load.pieces.length > 0
                      ? load.pieces.map((p) => number(p.size.value)).join(" + ")
                      : load.wantedKg < 0
                        ? say("needsHelp")
                        : say("bodyMass")}
                  </Typography>
                </Box>
              ))}
          </Box>
        )}
      </Box>
    </Box>
  );
}

/** Nothing hangs, nothing helps, and no maximum is known that it is a share of. */
const isBare = (load: Load) => load.pieces.length === 0 && load.wantedKg === 0 && load.shareOfMax === null;

function roleOf(plan: Resolved, index: number) {
  if (plan.isDrop) return say("part", { index: index + 1 });
  if (plan.loads.length === 1) return say("load");
  return index === 0 ? say("topSet") : say("backOff");
}

function LoadText({
  load,
  plan,
  index,
  subject,
  keyPrefix,
  unit,
}: {
  load: Load;
  plan: Resolved;
  index: number;
  subject: string;
  keyPrefix: string;
  unit: MassUnit;
}) {
  const kilograms = load.made.value.number ?? 0;
  const shown = added(kilograms, unit);
  const off = plan.efforts.find((e) => e.load === index)?.takeOff ?? [];
  const made = (
    <b>
      <WhyFigure
        figure={{
          key: `${keyPrefix}-${index}`,
          shown,
          subject,
          why: load.made.why,
          note: (
            <>
              {say("ofSystem", { systemKg: mass(load.systemKg, unit) })}
              {load.wantedKg !== kilograms && (
                <>
                  <br />
                  {say("wants", { wantedKg: added(load.wantedKg, unit) })}
                </>
              )}
            </>
          ),
        }}
      />
    </b>
  );
  if (load.wantedKg < 0)
    return (
      <>
        {made} {say("ofHelpByABandTheFeet", { mass: mass(-load.wantedKg, unit) })}
      </>
    );
  return (
    <Listed>
      {made}
      {!isBare(load) && say("ofSystem", { systemKg: mass(load.systemKg, unit) })}
      {load.shareOfMax !== null && say("ofBest", { number: number(load.shareOfMax * 100, 1) })}
      {load.wantedKg !== kilograms && say("wants", { wantedKg: added(load.wantedKg, unit) })}
      {off.length > 0 && (
        <Box component="span" sx={{ color: "secondary.main", fontWeight: 600 }}>
          {say("takeOff", { comesOff: off.map((p) => number(p.size.value)).join(" + ") })}
        </Box>
      )}
    </Listed>
  );
}
