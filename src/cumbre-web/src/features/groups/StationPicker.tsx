import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Station, StationKind } from "../../shared/api/types";
import { laddersQuery, movementsQuery } from "../../shared/ladders/useLadders";
import { say } from "../../words/groups";

interface Option {
  kind: StationKind;
  of: string;
  name: string;
}

const patterns: Option[] = [
  ["VerticalPull", say("verticalPull")],
  ["HorizontalPull", say("horizontalPull")],
  ["VerticalPush", say("verticalPush")],
  ["HorizontalPush", say("horizontalPush")],
  ["Legs", say("legs")],
  ["Trunk", say("trunk")],
].map(([of, name]) => ({ kind: "Pattern", of: of!, name: name! }));

const groupName: Record<StationKind, string> = {
  Ladder: say("laddersEachAtTheirOwnRung"),
  Pattern: say("patternsEachTheirOwnMovement"),
  Movement: say("movementsEachWithTheirOwnLoadOr"),
};

/** All that a station can name, ladders and patterns first. */
export function useStations() {
  const ladders = useQuery(laddersQuery);
  const movements = useQuery(movementsQuery);
  const options: Option[] = [
    ...(ladders.data ?? []).map((l): Option => ({ kind: "Ladder", of: l.slug, name: l.name })),
    ...patterns,
    ...(movements.data ?? []).map((m): Option => ({ kind: "Movement", of: m.slug, name: m.name })),
  ];
  return { options, pending: ladders.isPending || movements.isPending };
}

/** What a station is called. */
export const stationName = (station: Station, options: Option[]) =>
  options.find((o) => o.kind === station.kind && o.of === station.of)?.name ?? station.of;

export const kindHint: Record<StationKind, string> = {
  Ladder: say("ownRung"),
  Pattern: say("ownMovement"),
  Movement: say("ownLoadOrHelp"),
};

/** Adds a station: a ladder, a pattern or a movement. */
export function StationPicker({ label, onPick }: { label: string; onPick: (kind: StationKind, of: string) => void }) {
  const { options, pending } = useStations();
  const [typed, setTyped] = useState("");
  return (
    <Autocomplete<Option>
      options={options}
      loading={pending}
      groupBy={(o) => groupName[o.kind]}
      getOptionLabel={(o) => o.name}
      getOptionKey={(o) => `${o.kind}-${o.of}`}
      value={null}
      inputValue={typed}
      onInputChange={(_, text, why) => why !== "reset" && setTyped(text)}
      onChange={(_, picked) => {
        if (!picked) return;
        setTyped("");
        onPick(picked.kind, picked.of);
      }}
      autoHighlight
      blurOnSelect={false}
      noOptionsText={say("noLadderPatternOrMovementOfThat")}
      renderOption={({ key, ...props }, o) => (
        <Box component="li" key={key} {...props} sx={{ fontSize: 13, minHeight: 28 }}>
          {o.name}
        </Box>
      )}
      renderInput={(params) => <TextField {...params} label={label} placeholder={say("frontLeverRowLegs")} />}
    />
  );
}
