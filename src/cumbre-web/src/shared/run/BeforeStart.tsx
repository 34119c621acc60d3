import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { placeChoices } from "../athletes/painPlaces";
import type { CheckIn } from "../api/types";
import { say } from "../../words/run";
import type { Run } from "./session";

/** A figure in the middle of each step: what the rules compare lies on the right side of its limit. */
const sleep = [
  { value: 5, text: say("under6") },
  { value: 6.5, text: say("sixToSeven") },
  { value: 7.5, text: say("sevenToEight") },
  { value: 8.5, text: say("eightMore") },
];
const soreness = [
  { value: 1, text: say("sore02") },
  { value: 3, text: say("sore34") },
  { value: 5, text: say("sore56") },
  { value: 8, text: say("sore7") },
];
const pains = [
  { value: 0, text: say("painNone") },
  { value: 2, text: say("pain12") },
  { value: 4, text: say("pain35") },
  { value: 7, text: say("pain6") },
];

/** Three rows of four buttons before a session; pain above none asks for its place. */
export function BeforeStart({ run, onTell }: { run: Run; onTell: (told: CheckIn) => void }) {
  const known = run.checkIn;
  const [pain, setPain] = useState<number | null>(null);
  const level = known ? Math.max(0, ...known.pain.map((p) => p.level)) : null;
  const told: CheckIn = known ?? {
    day: run.pack.day,
    sleepHours: null,
    soreness: null,
    readiness: null,
    hardTraining: false,
    pain: [],
  };
  const [painTold, setPainTold] = useState(level !== null && known!.pain.length > 0);
  const shownPain = pain ?? (painTold || (known !== null && level! > 0) ? level : null);
  const answered = [told.sleepHours, told.soreness, shownPain].filter((a) => a !== null).length;
  return (
    <Box component="section" aria-label={say("beforeYouStart")}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline", mb: 2 }}>
        <Typography variant="h2" sx={{ fontSize: 17 }}>
          {say("beforeYouStart")}
        </Typography>
        <Typography color="textSecondary">{say("answered", { answered })}</Typography>
      </Box>
      <Row
        label={say("slept")}
        choices={sleep}
        value={told.sleepHours}
        onChoose={(v) => onTell({ ...told, sleepHours: v })}
      />
      <Row
        label={say("soreness")}
        choices={soreness}
        value={told.soreness}
        onChoose={(v) => onTell({ ...told, soreness: v })}
      />
      <Row
        label={say("pain")}
        choices={pains}
        value={shownPain}
        onChoose={(v) => {
          setPain(v);
          setPainTold(true);
          if (v === 0) onTell({ ...told, pain: [] });
          else if (told.pain[0]) onTell({ ...told, pain: [{ ...told.pain[0], level: v }] });
        }}
      />
      {shownPain !== null && shownPain > 0 && (
        <Box
          role="group"
          aria-label={say("whereHurts")}
          sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2, mt: 2 }}
        >
          <Typography sx={{ gridColumn: "1 / -1", fontSize: 16, fontWeight: 600 }}>{say("whereHurts")}</Typography>
          {placeChoices.map((p) => (
            <Answer
              key={p.said}
              text={p.said}
              pressed={told.pain.some((t) => t.place === p.said)}
              onClick={() => onTell({ ...told, pain: [{ level: shownPain, place: p.said, sign: null }] })}
            />
          ))}
        </Box>
      )}
      <Box sx={{ display: "grid", mt: 2 }}>
        <Answer
          text={say("hardTraining")}
          pressed={told.hardTraining}
          onClick={() => onTell({ ...told, hardTraining: !told.hardTraining })}
        />
      </Box>
    </Box>
  );
}

function Row({
  label,
  choices,
  value,
  onChoose,
}: {
  label: string;
  choices: readonly { value: number; text: string }[];
  value: number | null;
  onChoose: (value: number) => void;
}) {
  // A figure that was typed elsewhere lies in the nearest step.
  const nearest =
    value === null
      ? null
      : choices.reduce((a, b) => (Math.abs(b.value - value) < Math.abs(a.value - value) ? b : a)).value;
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(64px, 1fr) repeat(4, minmax(48px, 1fr))",
        gap: 2,
        mb: 2,
        alignItems: "center",
      }}
    >
      <Typography color="textSecondary" sx={{ fontSize: 15 }}>
        {label}
      </Typography>
      {choices.map((c) => (
        <Answer key={c.text} text={c.text} pressed={c.value === nearest} onClick={() => onChoose(c.value)} />
      ))}
    </Box>
  );
}

function Answer({ text, pressed, onClick }: { text: string; pressed: boolean; onClick: () => void }) {
  return (
    <ButtonBase
      aria-pressed={pressed}
      onClick={onClick}
      sx={{
        minHeight: 48,
        fontFamily: "inherit",
        px: 1,
        borderRadius: "4px",
        border: "2px solid",
        borderColor: pressed ? "primary.main" : "rock",
        bgcolor: pressed ? "primary.main" : "transparent",
        color: pressed ? "primary.contrastText" : "text.primary",
        fontSize: 16,
        fontWeight: 600,
      }}
    >
      {text}
    </ButtonBase>
  );
}

/** The easy version is offered by the limits of the pack. */
export function offersEasy(run: Run) {
  const { limits, status } = run.pack;
  return (
    status === "Planned" &&
    run.easy === null &&
    run.items.every((i) => i.sets.length === 0) &&
    run.checkIn?.sleepHours != null &&
    run.checkIn.sleepHours < limits.easySleepUnder &&
    run.checkIn.soreness != null &&
    run.checkIn.soreness >= limits.easySorenessFrom
  );
}
