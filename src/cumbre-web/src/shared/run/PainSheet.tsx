import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { LoggedSet } from "../api/types";
import { placeChoices, stopSigns } from "../athletes/painPlaces";
import { say } from "../../words/run";
import { Choices, Large, Primary } from "./Big";
import { Sheet } from "./Sheet";

export interface PainAnswer {
  level: number;
  place: string;
  sign: LoggedSet["sign"];
}

/** Pain in tenths, where, and the signs that stop at once. */
export function PainSheet({ onSave, onClose }: { onSave: (pain: PainAnswer) => void; onClose: () => void }) {
  const [level, setLevel] = useState<number | null>(null);
  const [place, setPlace] = useState<string | null>(null);
  const [sign, setSign] = useState<LoggedSet["sign"]>(null);
  const [asked, setAsked] = useState(false);
  const told = level !== null || sign !== null;
  return (
    <Sheet title={say("itHurts")} onClose={onClose}>
      <Typography sx={{ fontSize: 18, fontWeight: 600 }}>{say("howBad")}</Typography>
      <Choices
        label={say("howBad")}
        columns={6}
        value={level}
        onChoose={setLevel}
        choices={Array.from({ length: 10 }, (_, i) => ({ value: i + 1, text: String(i + 1) }))}
      />
      <Typography sx={{ fontSize: 18, fontWeight: 600 }}>{say("stopSigns")}</Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
        {Object.entries(stopSigns).map(([key, word]) => (
          <Large
            key={key}
            height={52}
            pressed={sign === key}
            onClick={() => setSign(sign === key ? null : (key as LoggedSet["sign"]))}
          >
            {word}
          </Large>
        ))}
      </Box>
      <Typography sx={{ fontSize: 18, fontWeight: 600 }}>{say("whereHurts")}</Typography>
      <Choices
        label={say("whereHurts")}
        columns={2}
        height={52}
        value={place}
        onChoose={setPlace}
        choices={placeChoices.map((p) => ({ value: p.said, text: p.said }))}
      />
      {asked && place === null && (
        <Typography color="error" role="alert" sx={{ fontSize: 18 }}>
          {say("choosePlace")}
        </Typography>
      )}
      <Primary
        disabled={!told}
        onClick={() => {
          setAsked(true);
          if (place !== null) onSave({ level: level ?? 0, place, sign });
        }}
      >
        {say("savePain")}
      </Primary>
    </Sheet>
  );
}
