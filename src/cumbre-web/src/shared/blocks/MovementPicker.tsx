import { Listed } from "../ui/Listed";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Pick } from "../api/types";
import { MovementFigure } from "../figure/MovementFigure";
import { StatusShape } from "../ui/StatusShape";
import { search } from "./pick";
import { movementsQuery } from "./queries";
import { say } from "../../words/blocks";
import { statusShape, statusWord } from "../ladders/wording";

const rows = 40;

/** Finds a movement by name, alias, pattern, level or kit: "dip", "horizontal pull rings", "level 3". */
export function MovementPicker({
  athleteId,
  label,
  onPick,
  inputRef,
  autoFocus,
  onSeveral,
  size = 14,
}: {
  athleteId: string;
  label: string;
  onPick: (movement: Pick) => void;
  inputRef?: React.Ref<HTMLInputElement>;
  autoFocus?: boolean;
  /** Several lines were pasted. */
  onSeveral?: (text: string) => void;
  size?: number;
}) {
  const movements = useQuery(movementsQuery(athleteId));
  const [typed, setTyped] = useState("");
  return (
    <Autocomplete<Pick>
      options={movements.data ?? []}
      loading={movements.isPending}
      value={null}
      inputValue={typed}
      onInputChange={(_, text, why) => why !== "reset" && setTyped(text)}
      onChange={(_, picked) => {
        if (!picked) return;
        setTyped("");
        onPick(picked);
      }}
      filterOptions={(all) => search(all, typed).slice(0, rows)}
      getOptionLabel={(m) => m.name}
      getOptionKey={(m) => m.slug}
      autoHighlight
      openOnFocus={false}
      blurOnSelect
      noOptionsText={say("noMovementOfThatNamePatternOr")}
      loadingText={say("loadingMovements")}
      renderOption={({ key, ...props }, m) => (
        <Box component="li" key={key} {...props} sx={{ display: "flex", gap: 2, fontSize: 13, minHeight: 28 }}>
          <MovementFigure movement={m.slug} size={32} lazy />
          {m.status && <StatusShape status={statusShape[m.status]} title={statusWord[m.status]} />}
          <Box component="span" sx={{ fontWeight: 550 }}>
            {m.name}
          </Box>
          <Box component="span" sx={{ color: "text.secondary", ml: "auto", fontStretch: "88%" }}>
            <Listed>
              {say("level", { pattern: m.pattern, level: m.level })}
              {m.kitMissing && say("noHere", { kitMissing: m.kitMissing })}
            </Listed>
          </Box>
        </Box>
      )}
      slotProps={{ popper: { sx: { minWidth: 420 }, placement: "bottom-start" } }}
      renderInput={(params) => (
        <TextField
          {...params}
          label={label}
          autoFocus={autoFocus}
          inputRef={inputRef}
          onPaste={(e) => {
            const text = e.clipboardData.getData("text/plain");
            if (!onSeveral || !/[\n\t]/.test(text.trim())) return;
            e.preventDefault();
            onSeveral(text);
          }}
          placeholder={say("dipHorizontalPullRingsLevel3")}
          sx={{ "& input": { fontSize: size } }}
        />
      )}
    />
  );
}
