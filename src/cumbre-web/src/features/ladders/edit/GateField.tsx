import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { LadderProblem } from "../../../shared/api/types";
import { OfferField, type Offer } from "../../../shared/ui/OfferField";
import { completionQuery } from "./queries";
import { told } from "../../../words/server";

/** A gate as text, with what could stand at the cursor, and the first error under its place. */
export function GateField({
  label,
  value,
  onChange,
  problem,
  help,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: LadderProblem;
  help?: string;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [cursor, setCursor] = useState<number | null>(null);
  const completion = useQuery({ ...completionQuery(value, cursor ?? 0), enabled: cursor !== null });
  const take = ({ text, start, length }: Offer) => {
    const end = start + text.length;
    onChange(value.slice(0, start) + text + value.slice(start + length));
    setCursor(end);
    // The caret goes behind what was put in, once the field shows it.
    requestAnimationFrame(() => input.current?.setSelectionRange(end, end));
  };
  const here = (e: React.SyntheticEvent) => setCursor((e.target as HTMLInputElement).selectionStart);
  const gate = problem?.gate;
  return (
    <OfferField
      eager
      value={value}
      offers={cursor === null ? [] : (completion.data ?? [])}
      label={label}
      input={input}
      onType={(text, at) => {
        onChange(text);
        setCursor(at);
      }}
      onTake={take}
      onClose={() => setCursor(null)}
      renderInput={({ slotProps, id, disabled }) => (
        <TextField
          id={id}
          disabled={disabled}
          label={label}
          fullWidth
          error={problem !== undefined}
          helperText={
            problem ? (
              <>
                {told(problem.message)}
                {gate && <Place text={value} start={gate.start} length={gate.length} />}
              </>
            ) : (
              help
            )
          }
          onFocus={here}
          onSelect={here}
          slotProps={{
            inputLabel: slotProps.inputLabel,
            input: slotProps.input,
            htmlInput: { ...slotProps.htmlInput, spellCheck: false, autoComplete: "off" },
          }}
        />
      )}
    />
  );
}

/** The text with the place of the error marked. */
function Place({ text, start, length }: { text: string; start: number; length: number }) {
  return (
    <Box component="span" sx={{ display: "block", fontFamily: "monospace", color: "text.primary" }}>
      {text.slice(0, start)}
      <Box component="mark" sx={{ bgcolor: "error.main", color: "error.contrastText", px: 0.5 }}>
        {text.slice(start, start + length) || "▁"}
      </Box>
      {text.slice(start + length)}
    </Box>
  );
}
