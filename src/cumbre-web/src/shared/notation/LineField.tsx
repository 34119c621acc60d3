import InputBase from "@mui/material/InputBase";
import TextField from "@mui/material/TextField";
import { startTransition, useOptimistic, useRef, useState } from "react";
import { OfferField, type Offer } from "../ui/OfferField";
import { useCompletions } from "./useCompletions";
import { nextValue } from "./values";
import { isKey } from "../keys/keymap";
import { say } from "../../words/notation";

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
  /** Several lines were pasted. */
  onSeveral?: (text: string) => void;
}

const most = 7;

/**
 * The line on the board: Tab goes to its next value, typing offers what may follow. What is typed stands there at once; the page around
 * it follows when the keys leave time.
 */
export function LineField({ value, label, invalid, describedBy, readOnly, autoFocus, framed, ...on }: Props) {
  const [shown, setShown] = useOptimistic(value);
  const onChange = (line: string) =>
    startTransition(() => {
      setShown(line);
      on.onChange(line);
    });
  const input = useRef<HTMLInputElement>(null);
  const [cursor, setCursor] = useState(0);
  const [offering, setOffering] = useState(false);
  const found = useCompletions(shown, cursor, offering);
  const offers: Offer[] =
    offering && found.data && !found.isPlaceholderData
      ? found.data.slice(0, most).map((o) => ({ text: o.text, start: o.start, length: cursor - o.start }))
      : [];

  const take = ({ text, start, length }: Offer) => {
    const spaced = start > 0 && !/[\s(]$/.test(shown.slice(0, start)) && !text.startsWith(",") ? ` ${text}` : text;
    const line = `${shown.slice(0, start)}${spaced}${shown.slice(start + length)}`;
    onChange(line);
    setOffering(false);
    const end = start + spaced.length;
    setCursor(end);
    requestAnimationFrame(() => {
      // The first figure of what was taken is what is changed most often.
      const first = nextValue(line, start) ?? { start: end, end };
      const within = first.end <= end ? first : { start: end, end };
      input.current?.setSelectionRange(within.start, within.end);
    });
  };

  const keys = (e: React.KeyboardEvent, marked: Offer | null) => {
    if (isKey(e, "nextLine")) {
      e.preventDefault();
      setOffering(false);
      on.onEnter();
    } else if (isKey(e, "nextValue") && !readOnly) {
      if (marked) {
        e.preventDefault();
        take(marked);
        return;
      }
      const at = nextValue(shown, input.current?.selectionEnd ?? 0);
      // Past the last value Tab leaves the field as anywhere else.
      if (at) {
        e.preventDefault();
        input.current?.setSelectionRange(at.start, at.end);
        setOffering(false);
      }
    } else if (isKey(e, "offers")) {
      e.preventDefault();
      setCursor(input.current?.selectionStart ?? 0);
      setOffering(true);
    } else if (isKey(e, "close") && offering) {
      // Also what is on its way stays away.
      e.preventDefault();
      e.stopPropagation();
      setOffering(false);
    }
  };

  const own = {
    "aria-label": framed ? undefined : label,
    "aria-invalid": invalid,
    "aria-describedby": describedBy,
    spellCheck: false,
    autoComplete: "off",
    maxLength: 320,
  };
  const shared = {
    autoFocus,
    onFocus: on.onFocus,
    onBlur: () => {
      setOffering(false);
      on.onBlur?.();
    },
    onPaste: (e: React.ClipboardEvent) => {
      const text = e.clipboardData.getData("text/plain");
      if (!on.onSeveral || !text.trim().includes("\n")) return;
      e.preventDefault();
      on.onSeveral(text);
    },
    placeholder: say("n4X510KgRest2"),
    fullWidth: true,
  };
  return (
    <OfferField
      value={shown}
      offers={offers}
      label={label}
      readOnly={readOnly}
      above={framed}
      input={input}
      onType={(line, at) => {
        onChange(line);
        setCursor(at);
        setOffering(true);
      }}
      onTake={take}
      onClose={() => setOffering(false)}
      onKey={keys}
      renderInput={({ slotProps, id, disabled }) =>
        framed ? (
          <TextField
            {...shared}
            id={id}
            disabled={disabled}
            label={label}
            error={invalid}
            slotProps={{
              inputLabel: { ...slotProps.inputLabel, shrink: true },
              input: { ...slotProps.input, sx: lettering },
              htmlInput: { ...slotProps.htmlInput, ...own },
            }}
          />
        ) : (
          <InputBase
            {...shared}
            id={id}
            ref={slotProps.input.ref}
            disabled={disabled}
            slotProps={{ input: { ...slotProps.htmlInput, ...own } }}
            sx={(t) => ({
              ...lettering,
              p: 0,
              "& input": { p: "1px 4px", mx: "-4px", height: "auto", borderRadius: "2px" },
              "& input:focus": { bgcolor: "background.paper", outline: `2px solid ${t.vars.palette.primary.main}` },
            })}
          />
        )
      }
    />
  );
}

const lettering = { fontSize: 16, lineHeight: "22px", fontStretch: "90%", fontWeight: 600 };
