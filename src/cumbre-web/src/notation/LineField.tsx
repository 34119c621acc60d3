import FormControl from "@mui/material/FormControl";
import InputBase from "@mui/material/InputBase";
import InputLabel from "@mui/material/InputLabel";
import MenuItem from "@mui/material/MenuItem";
import MenuList from "@mui/material/MenuList";
import OutlinedInput from "@mui/material/OutlinedInput";
import Paper from "@mui/material/Paper";
import Popper from "@mui/material/Popper";
import { startTransition, useId, useOptimistic, useRef, useState } from "react";
import { useCompletions } from "./useCompletions";
import { nextValue } from "./values";

interface Props {
  value: string;
  label: string;
  invalid: boolean;
  describedBy: string;
  readOnly?: boolean;
  autoFocus?: boolean;
  /** Stands alone in a form, with its label over it. */
  framed?: boolean;
  onChange: (line: string) => void;
  /** Enter: go on to the next row. */
  onEnter: () => void;
  onFocus?: () => void;
  onBlur?: () => void;
}

/**
 * The line on the board: Tab goes to its next value, typing offers what may follow. What is typed stands there at once; the page around
 * it follows when the keys leave time.
 */
export function LineField({ value, label, invalid, describedBy, readOnly, autoFocus, framed, ...on }: Props) {
  const { onEnter, onFocus, onBlur } = on;
  const [shown, setShown] = useOptimistic(value);
  const onChange = (line: string) =>
    startTransition(() => {
      setShown(line);
      on.onChange(line);
    });
  const input = useRef<HTMLInputElement>(null);
  const list = useId();
  // What the offers hang under; a state, as they are placed while rendering.
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [cursor, setCursor] = useState(0);
  const [offering, setOffering] = useState(false);
  const [chosen, setChosen] = useState(-1);
  const found = useCompletions(shown, cursor, offering);
  const offers = offering && found.data && !found.isPlaceholderData ? found.data.slice(0, 7) : [];

  const take = (text: string, start: number) => {
    const spaced = start > 0 && !/[\s(]$/.test(shown.slice(0, start)) && !text.startsWith(",") ? ` ${text}` : text;
    const line = `${shown.slice(0, start)}${spaced}${shown.slice(cursor)}`;
    onChange(line);
    setChosen(-1);
    const end = start + spaced.length;
    setCursor(end);
    requestAnimationFrame(() => {
      // The first figure of what was taken is what is changed most often.
      const first = nextValue(line, start) ?? { start: end, end };
      const within = first.end <= end ? first : { start: end, end };
      input.current?.setSelectionRange(within.start, within.end);
      setOffering(false);
    });
  };

  const keys = (e: React.KeyboardEvent<HTMLInputElement>) => {
    if (e.nativeEvent.isComposing) return;
    if (offers.length > 0 && (e.key === "ArrowDown" || e.key === "ArrowUp")) {
      e.preventDefault();
      e.stopPropagation();
      setChosen(
        (c) =>
          (c + (e.key === "ArrowDown" ? 1 : -1) + offers.length + (c < 0 && e.key === "ArrowUp" ? 1 : 0)) %
          offers.length,
      );
    } else if (e.key === "Escape" && offering) {
      // Also what is on its way stays away.
      e.preventDefault();
      e.stopPropagation();
      setOffering(false);
    } else if (e.key === "Enter" && !e.ctrlKey && !e.metaKey) {
      e.preventDefault();
      const offer = offers[chosen];
      if (offer) take(offer.text, offer.start);
      else {
        setOffering(false);
        onEnter();
      }
    } else if (e.key === "Tab" && !e.shiftKey && !readOnly) {
      const offer = offers[chosen];
      if (offer) {
        e.preventDefault();
        take(offer.text, offer.start);
        return;
      }
      const at = nextValue(shown, input.current?.selectionEnd ?? 0);
      // Past the last value Tab leaves the field as anywhere else.
      if (at) {
        e.preventDefault();
        input.current?.setSelectionRange(at.start, at.end);
        setOffering(false);
      }
    } else if (e.key === " " && e.ctrlKey) {
      e.preventDefault();
      setCursor(input.current?.selectionStart ?? 0);
      setOffering(true);
    }
  };

  const Input = framed ? OutlinedInput : InputBase;
  return (
    <FormControl ref={setAnchor} size="small" fullWidth error={framed && invalid} sx={{ position: "relative" }}>
      {framed && (
        <InputLabel shrink htmlFor={`${list}-field`}>
          {label}
        </InputLabel>
      )}
      <Input
        id={`${list}-field`}
        {...(framed ? { label, notched: true } : {})}
        autoFocus={autoFocus}
        inputRef={input}
        value={shown}
        readOnly={readOnly}
        onChange={(e) => {
          onChange(e.target.value);
          setCursor(e.target.selectionStart ?? e.target.value.length);
          setOffering(true);
          setChosen(-1);
        }}
        onKeyDown={keys}
        onFocus={onFocus}
        onBlur={() => {
          setOffering(false);
          onBlur?.();
        }}
        placeholder="4 x 5 @ +10 kg rest 2:30"
        fullWidth
        slotProps={{
          input: {
            "aria-label": framed ? undefined : label,
            "aria-invalid": invalid,
            "aria-describedby": describedBy,
            "aria-autocomplete": "list",
            "aria-controls": offers.length > 0 ? list : undefined,
            "aria-activedescendant": chosen >= 0 ? `${list}-${chosen}` : undefined,
            spellCheck: false,
            autoComplete: "off",
            maxLength: 320,
          },
        }}
        sx={(t) => ({
          fontSize: 16,
          lineHeight: "22px",
          fontStretch: "90%",
          fontWeight: 600,
          ...(!framed && {
            p: 0,
            "& input": { p: "1px 4px", mx: "-4px", height: "auto", borderRadius: "2px" },
            "& input:focus": { bgcolor: "background.paper", outline: `2px solid ${t.vars.palette.primary.main}` },
          }),
        })}
      />
      <Popper
        open={offers.length > 0}
        anchorEl={anchor}
        placement={framed ? "top-start" : "bottom-start"}
        popperOptions={{ strategy: "fixed" }}
        sx={{ zIndex: "tooltip" }}
      >
        <Paper variant="outlined" sx={{ mt: "2px" }}>
          <MenuList dense id={list} role="listbox" aria-label="What may follow" sx={{ py: 0.5 }}>
            {offers.map((o, i) => (
              <MenuItem
                key={o.text}
                id={`${list}-${i}`}
                role="option"
                aria-selected={i === chosen}
                selected={i === chosen}
                tabIndex={-1}
                // Before the field loses focus.
                onMouseDown={(e) => {
                  e.preventDefault();
                  take(o.text, o.start);
                }}
                sx={{ fontSize: 14, fontStretch: "90%", minHeight: 26, py: 0 }}
              >
                {o.text}
              </MenuItem>
            ))}
          </MenuList>
        </Paper>
      </Popper>
    </FormControl>
  );
}
