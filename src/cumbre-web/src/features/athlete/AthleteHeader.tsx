import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useNavigate } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Kit, MovementPage } from "../../shared/api/types";
import { added, dayShort, inUnit, mass, number, unitName } from "../../shared/ui/format";
import { stockSorts } from "../../shared/ui/pieces";
import { Fact } from "../../shared/ui/Fact";
import { StatusShape } from "../../shared/ui/StatusShape";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/athlete";

/** Who it is, and the figures that everything else rests on. */
export function AthleteHeader({ page }: { page: MovementPage }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const navigate = useNavigate();
  const { athlete, bodyMass, oneRepMax } = page;
  const own = page.gates.find((g) => g.decides);
  return (
    <Box
      sx={(t) => ({
        px: { xs: 4, sm: 6 },
        py: 2.5,
        borderBottom: `1px solid ${t.vars.palette.line2}`,
        display: "flex",
        columnGap: 8,
        rowGap: 2,
        flexWrap: "wrap",
        alignItems: "flex-start",
      })}
    >
      <Box sx={{ mr: "auto" }}>
        <Typography variant="h1">{athlete.name}</Typography>
        <TextField
          select
          size="small"
          variant="standard"
          value={page.movement.slug}
          onChange={(e) => void navigate(`/athletes/${athlete.id}/movement?movement=${e.target.value}`)}
          slotProps={{ htmlInput: { "aria-label": say("movement") }, input: { disableUnderline: true } }}
        >
          {(page.movements.some((m) => m.slug === page.movement.slug)
            ? page.movements
            : [page.movement, ...page.movements]
          ).map((m) => (
            <MenuItem key={m.slug} value={m.slug}>
              {m.name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Fact label={say("bodyMass")}>
        {bodyMass ? (
          <WhyFigure
            figure={{
              key: "body-mass",
              shown: mass(bodyMass.value.number ?? 0, unit),
              subject: say("bodyMassToday", { name: athlete.name }),
              why: bodyMass.why,
            }}
          />
        ) : (
          say("notWeighedYet")
        )}
      </Fact>
      {(oneRepMax || own) && (
        <Fact
          label={<Term id="e1rm">{say("oneRepMaximum")}</Term>}
          note={
            oneRepMax
              ? `${number(inUnit(oneRepMax.lowKg, unit), 1)}–${mass(oneRepMax.highKg, unit, 1)}${oneRepMax.stale ? ", old" : ""}`
              : ""
          }
        >
          {oneRepMax ? (
            <WhyFigure
              figure={{
                key: "one-rep-max",
                shown: mass(oneRepMax.value.value.number ?? 0, unit),
                subject: say("oneRepMaximumOfTheSystem", { name: athlete.name }),
                why: oneRepMax.value.why,
                note: (
                  <>
                    {say("to", { lowKg: mass(oneRepMax.lowKg, unit), highKg: mass(oneRepMax.highKg, unit) })}
                    <br />
                    {say("from", { addedKg: added(oneRepMax.addedKg, unit), day: dayShort(oneRepMax.day, today) })}
                  </>
                ),
              }}
            />
          ) : (
            say("noHeavyTest")
          )}
        </Fact>
      )}
      {own && (
        <Fact label={say("addedLoad")}>
          <Box component="span" sx={{ display: "inline-flex", gap: 1.5, alignItems: "center" }}>
            <StatusShape status={own.open ? "won" : "locked"} title="" />
            {say(own.open ? "open" : "closed")}
          </Box>
        </Fact>
      )}
      <Fact label={say("kit")}>{kitText(athlete.kitInUse)}</Fact>
    </Box>
  );
}

function kitText(kit: Kit) {
  const { plates, vest } = kit;
  const parts: string[] = [];
  for (const { sort, name } of stockSorts) {
    const own = plates.filter((p) => p.sort === sort);
    if (own.length === 0 || (!kit.hasBelt && (sort === "Plate" || sort === "Dumbbell"))) continue;
    const sizes = own.map((p) => p.size.value);
    const range = [...new Set([Math.min(...sizes), Math.max(...sizes)])].map((v) => number(v)).join(" to ");
    parts.push(`${name}s ${range} ${unitName[own[0]!.size.unit]}`);
  }
  if (vest) parts.push(say("vest", { value: number(vest.value), unitName: unitName[vest.unit] }));
  return parts.join(", ") || say("nothingToHang");
}
