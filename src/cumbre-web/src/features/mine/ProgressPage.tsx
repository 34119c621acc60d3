import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { MovementRecords, Overview } from "../../shared/api/types";
import { forecastText, measureName, valueText } from "../../shared/athletes/trendText";
import { overviewQuery } from "../../shared/athletes/useOverview";
import { SmallRidge } from "../../shared/ladders/SmallRidge";
import { shortfall } from "../../shared/ladders/wording";
import { useKept } from "../../shared/run/useKept";
import { setsText } from "../../shared/run/runText";
import { daysBetween, dayShort, listed } from "../../shared/ui/format";
import { QuietButton } from "../../shared/ui/QuietButton";
import { FailedPage, Loading } from "../../shared/ui/states";
import { say as overview } from "../../words/overview";
import { say } from "../../words/mine";
import { Frame } from "./Frame";
import { recordsQuery } from "./queries";

/** A best is called new for so many days. */
const newFor = 14;

/** Where an athlete stands on the ladders of their goals, and their bests. */
export default function ProgressPage() {
  const athleteId = useSignedIn().account.athleteId!;
  const read = useQuery(overviewQuery(athleteId));
  const records = useQuery(recordsQuery(athleteId));
  const glance = useKept("overview", read.data);
  const bests = useKept("records", records.data);
  if (!glance.data)
    return read.isError ? <FailedPage error={read.error} retry={() => void read.refetch()} /> : <Loading />;
  return (
    <Frame title={say("progress")} copyAt={glance.at}>
      <Box component="section" aria-label={say("goals")} sx={{ display: "grid", gap: 4 }}>
        {glance.data.goals.length === 0 && <Typography color="textSecondary">{say("noGoal")}</Typography>}
        {glance.data.goals.map((g) => (
          <Goal key={g.ridge.ladder} goal={g} athleteId={athleteId} />
        ))}
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
          <Button
            component={Link}
            to={`/athletes/${athleteId}/ladders`}
            variant="outlined"
            sx={{ minHeight: 48, textAlign: "center" }}
          >
            {say("allLadders")}
          </Button>
          <Button
            component={Link}
            to={`/athletes/${athleteId}`}
            variant="outlined"
            sx={{ minHeight: 48, textAlign: "center" }}
          >
            {say("moreProgress")}
          </Button>
        </Box>
      </Box>
      <Box component="section" aria-label={say("records")}>
        <Typography variant="h2">{say("records")}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
          {say("recordsNote")}
        </Typography>
        {!bests.data && <Loading />}
        {bests.data?.length === 0 && <Typography color="textSecondary">{say("noRecord")}</Typography>}
        <Box component="ul" aria-label={say("records")} sx={{ listStyle: "none", m: 0, p: 0 }}>
          {bests.data?.map((m) => (
            <Best key={m.movement} best={m} athleteId={athleteId} />
          ))}
        </Box>
      </Box>
    </Frame>
  );
}

function Goal({ goal: { ridge, forecast }, athleteId }: { goal: Overview["goals"][number]; athleteId: string }) {
  const unit = useUnit();
  return (
    <Box component="article" sx={{ borderTop: 1, borderColor: "line2", pt: 3 }}>
      <Box
        component={Link}
        to={`/athletes/${athleteId}/ladders?ladder=${ridge.ladder}`}
        sx={{ color: "inherit", fontSize: 18, lineHeight: "24px", fontWeight: 600 }}
      >
        {say("goalAt", { name: ridge.name, step: ridge.trainingName ?? say("notStarted") })}
      </Box>
      <SmallRidge ridge={ridge} width={358} height={72} />
      {ridge.limiting && (
        <Typography sx={{ fontSize: 16, lineHeight: "22px", mt: 2 }}>
          {overview.rich("limitingFactor", {
            name: ridge.limiting.name,
            short: shortfall(ridge.limiting, unit),
            b: (name) => <b>{name}</b>,
            t: (word) => word,
          })}
        </Typography>
      )}
      {forecast && (
        <Typography color="textSecondary" sx={{ fontSize: 15 }}>
          {ridge.next && forecast.from !== null ? `${ridge.next}: ` : ""}
          {forecastText(forecast)}
        </Typography>
      )}
    </Box>
  );
}

function Best({ best, athleteId }: { best: MovementRecords; athleteId: string }) {
  const [all, setAll] = useState(false);
  const others = best.records.length - 1;
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: "divider", py: 2.5, fontSize: 16, lineHeight: "22px" }}>
      <Box
        component={Link}
        to={`/athletes/${athleteId}/movement?movement=${best.movement}`}
        sx={{ color: "inherit", fontWeight: 600 }}
      >
        {best.name}
      </Box>
      {(all ? best.records : best.records.slice(0, 1)).map((record) => (
        <Figure key={`${record.setUp} ${record.style}`} record={record} measure={best.measure} />
      ))}
      {others > 0 && (
        <QuietButton aria-expanded={all} onClick={() => setAll(!all)}>
          {say("otherSetUps", { n: others })}
        </QuietButton>
      )}
    </Box>
  );
}

function Figure({
  record,
  measure,
}: {
  record: MovementRecords["records"][number];
  measure: MovementRecords["measure"];
}) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const set =
    record.reps === null && record.seconds === null
      ? null
      : setsText(
          [
            {
              reps: record.reps ?? 0,
              seconds: record.seconds,
              total: null,
              added: record.added ?? { value: 0, unit: "Kg" },
              contact: null,
            },
          ],
          unit,
        );
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) auto", columnGap: 3 }}>
      <Box sx={{ color: "text.secondary", fontSize: 15 }}>
        {set === null ? dayShort(record.day, today) : say("recordOn", { set, day: dayShort(record.day, today) })}
        <Box component="span" sx={{ display: "block" }}>
          {listed(record.style, record.setUp) || say("setUpNotRecorded")}
        </Box>
      </Box>
      <Box sx={{ textAlign: "right", fontWeight: 650, fontSize: 18 }}>
        {valueText(measure, record.value, unit)}
        {measure === "OneRepMax" && (
          <Box component="span" sx={{ display: "block", color: "text.secondary", fontSize: 14, fontWeight: 400 }}>
            {measureName[measure]}
          </Box>
        )}
        {daysBetween(record.day, today) < newFor && (
          <Box component="span" sx={{ display: "block", color: "primary.main", fontSize: 14, fontWeight: 600 }}>
            {say("newRecord")}
          </Box>
        )}
      </Box>
    </Box>
  );
}
