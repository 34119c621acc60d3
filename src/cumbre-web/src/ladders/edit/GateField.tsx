import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import MenuList from "@mui/material/MenuList";
import Paper from "@mui/material/Paper";
import Popper from "@mui/material/Popper";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useId, useRef, useState } from "react";
import type { LadderProblem } from "../../api/types";
import { completionQuery } from "./queries";

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
  const listId = useId();
  const [cursor, setCursor] = useState<number | null>(null);
  const [chosen, setChosen] = useState(0);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const completion = useQuery({ ...completionQuery(value, cursor ?? 0), enabled: cursor !== null });
  const suggestions = cursor === null ? [] : (completion.data ?? []);
  const place = (at: HTMLInputElement) => {
    setCursor(at.selectionStart ?? at.value.length);
    setChosen(0);
  };
  const take = (index: number) => {
    const s = suggestions[index];
    if (!s) return;
    const end = s.start + s.text.length;
    onChange(value.slice(0, s.start) + s.text + value.slice(s.start + s.length));
    setCursor(end);
    setChosen(0);
    // The caret goes behind what was put in, once the field shows it.
    requestAnimationFrame(() => input.current?.setSelectionRange(end, end));
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (suggestions.length === 0) return;
    if (e.key === "ArrowDown" || e.key === "ArrowUp") {
      e.preventDefault();
      setChosen((c) => (c + (e.key === "ArrowDown" ? 1 : suggestions.length - 1)) % suggestions.length);
    } else if (e.key === "Enter") {
      e.preventDefault();
      take(chosen);
    } else if (e.key === "Escape") {
      e.stopPropagation();
      setCursor(null);
    }
  };
  const gate = problem?.gate;
  return (
    <Box ref={setAnchor}>
      <TextField
        label={label}
        value={value}
        fullWidth
        error={problem !== undefined}
        helperText={
          problem ? (
            <>
              {problem.message}
              {gate && <Place text={value} start={gate.start} length={gate.length} />}
            </>
          ) : (
            help
          )
        }
        inputRef={input}
        onChange={(e) => {
          onChange(e.target.value);
          place(e.target as HTMLInputElement);
        }}
        onFocus={(e) => place(e.target as HTMLInputElement)}
        onSelect={(e) => setCursor((e.target as HTMLInputElement).selectionStart)}
        onBlur={() => setCursor(null)}
        onKeyDown={onKeyDown}
        slotProps={{
          htmlInput: {
            spellCheck: false,
            autoComplete: "off",
            role: "combobox",
            "aria-autocomplete": "list",
            "aria-expanded": suggestions.length > 0,
            "aria-controls": listId,
            "aria-activedescendant": suggestions.length > 0 ? `${listId}-${chosen}` : undefined,
          },
        }}
      />
      <Popper
        popperOptions={{ strategy: "fixed" }}
        open={suggestions.length > 0}
        anchorEl={anchor}
        placement="bottom-start"
        sx={{ zIndex: 1300 }}
      >
        <Paper variant="outlined" sx={{ maxHeight: 260, overflow: "auto" }}>
          <MenuList dense id={listId} role="listbox" aria-label={`What can stand in ${label}`}>
            {suggestions.map((s, i) => (
              <MenuItem
                key={s.text}
                id={`${listId}-${i}`}
                role="option"
                selected={i === chosen}
                aria-selected={i === chosen}
                // Before the field loses the focus.
                onMouseDown={(e) => {
                  e.preventDefault();
                  take(i);
                }}
              >
                {s.text.trim()}
              </MenuItem>
            ))}
          </MenuList>
        </Paper>
      </Popper>
    </Box>
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
