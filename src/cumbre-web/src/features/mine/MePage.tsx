import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useColorScheme } from "@mui/material/styles";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { useSetUnit, useSignedIn } from "../../shared/account/useMe";
import type { MassUnit } from "../../shared/api/types";
import { BodyMassPanel } from "../../shared/athletes/BodyMassPanel";
import { athleteQuery } from "../../shared/athletes/useAthlete";
import { Large } from "../../shared/run/Big";
import { readHabits, signal, unlockSound, writeHabits, type Habits } from "../../shared/run/signals";
import { useKept } from "../../shared/run/useKept";
import { dayFull } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/mine";
import { Frame } from "./Frame";

/** What an athlete tells about themselves, and how this phone behaves. */
export default function MePage({
  preferences,
  signOut,
}: {
  /** How dates and numbers are written, until it is closed. */
  preferences: (close: () => void) => React.ReactNode;
  signOut: { run: () => void; busy: boolean; error: Error | null };
}) {
  const { account, today } = useSignedIn();
  const athleteId = account.athleteId!;
  const read = useQuery(athleteQuery(athleteId));
  const { data: athlete, at } = useKept("athlete", read.data);
  const setUnit = useSetUnit();
  const { mode, setMode } = useColorScheme();
  const [choosing, setChoosing] = useState(false);
  return (
    <Frame title={account.name} copyAt={at}>
      {athlete ? (
        <BodyMassPanel athlete={athlete} shown={4} />
      ) : read.isError ? (
        <Failed error={read.error} retry={() => void read.refetch()} />
      ) : (
        <Loading />
      )}
      <Setting label={say("units")}>
        <ToggleButtonGroup
          exclusive
          fullWidth
          aria-label={say("units")}
          value={account.unit}
          onChange={(_, unit: MassUnit | null) => unit && setUnit.mutate(unit)}
        >
          <ToggleButton value="Kg" sx={{ minHeight: 48 }}>
            {say("kg")}
          </ToggleButton>
          <ToggleButton value="Lb" sx={{ minHeight: 48 }}>
            {say("lb")}
          </ToggleButton>
        </ToggleButtonGroup>
      </Setting>
      <AtTheBar />
      <Setting label={say("appearance")}>
        <ToggleButtonGroup
          exclusive
          fullWidth
          aria-label={say("appearance")}
          value={mode ?? "dark"}
          onChange={(_, next: "light" | "dark" | "system" | null) => next && setMode(next)}
        >
          <ToggleButton value="dark" sx={{ minHeight: 48 }}>
            {say("dark")}
          </ToggleButton>
          <ToggleButton value="light" sx={{ minHeight: 48 }}>
            {say("light")}
          </ToggleButton>
          <ToggleButton value="system" sx={{ minHeight: 48 }}>
            {say("asDevice")}
          </ToggleButton>
        </ToggleButtonGroup>
      </Setting>
      <Setting label={say("language")}>
        <Button variant="outlined" sx={{ minHeight: 48, width: "100%" }} onClick={() => setChoosing(true)}>
          {say("languageNote", { example: dayFull(today) })}
        </Button>
      </Setting>
      {choosing && preferences(() => setChoosing(false))}
      <Box component="nav" aria-label={say("profile")} sx={{ display: "grid", gap: 2 }}>
        {[
          { to: `/athletes/${athleteId}/kit`, text: say("kitAtHome") },
          { to: "/account", text: say("account") },
          { to: `/athletes/${athleteId}/privacy`, text: say("privacy") },
          { to: "/help", text: say("help") },
        ].map(({ to, text }) => (
          <Button
            key={to}
            component={Link}
            to={to}
            variant="outlined"
            sx={{ minHeight: 48, justifyContent: "flex-start" }}
          >
            {text}
          </Button>
        ))}
        <Button variant="text" sx={{ minHeight: 48 }} onClick={signOut.run} disabled={signOut.busy}>
          {say("signOut")}
        </Button>
        {signOut.error && (
          <Typography color="error" role="alert">
            {messageOf(signOut.error)}
          </Typography>
        )}
      </Box>
    </Frame>
  );
}

function Setting({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <Box component="section" aria-label={label}>
      <Typography variant="h2" sx={{ mb: 2 }}>
        {label}
      </Typography>
      {children}
    </Box>
  );
}

/** Sound, vibration and the hand: of this phone, not of the person. */
function AtTheBar() {
  const [habits, setHabits] = useState<Habits>(readHabits);
  const choose = (change: Partial<Habits>) => {
    const next = { ...habits, ...change };
    setHabits(next);
    writeHabits(next);
  };
  return (
    <Setting label={say("atTheBar")}>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
        <Large height={52} pressed={habits.sound} onClick={() => choose({ sound: !habits.sound })}>
          {say("sound")}
        </Large>
        <Large height={52} pressed={habits.vibration} onClick={() => choose({ vibration: !habits.vibration })}>
          {say("vibration")}
        </Large>
        <Large height={52} pressed={habits.leftHanded} onClick={() => choose({ leftHanded: !habits.leftHanded })}>
          {say("leftHanded")}
        </Large>
        <Large
          height={52}
          onClick={() => {
            unlockSound();
            signal("go", habits);
          }}
        >
          {say("tryIt")}
        </Large>
      </Box>
      <Typography color="textSecondary" sx={{ mt: 2 }}>
        {say("tryHelp")}
      </Typography>
    </Setting>
  );
}
