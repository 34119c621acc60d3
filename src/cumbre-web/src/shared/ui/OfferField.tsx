import Autocomplete, { type AutocompleteRenderInputParams } from "@mui/material/Autocomplete";
import { useRef } from "react";
import { say } from "../../words/ui";

/** Something that may stand at the cursor: its text takes the place of `length` characters from `start` on. */
export interface Offer {
  text: string;
  start: number;
  length: number;
}

interface Props {
  value: string;
  offers: readonly Offer[];
  /** The first offer is marked, so that Enter takes it. */
  eager?: boolean;
  label: string;
  readOnly?: boolean;
  /** Over the field, where the list would hide what stands below it. */
  above?: boolean;
  input: React.RefObject<HTMLInputElement | null>;
  onType: (text: string, cursor: number) => void;
  onTake: (offer: Offer) => void;
  /** The offers are not wanted any more. */
  onClose: () => void;
  /** A key that takes no offer; `marked` is the offer that the arrows chose. */
  onKey?: (event: React.KeyboardEvent, marked: Offer | null) => void;
  renderInput: (params: AutocompleteRenderInputParams) => React.ReactNode;
}

/** A field of free text that offers what may be typed next: one for lines and for gates. */
export function OfferField(props: Props) {
  const { value, offers, eager, label, readOnly, above, input, onType, onTake, onClose, onKey, renderInput } = props;
  const marked = useRef<Offer | null>(null);
  return (
    <Autocomplete<Offer, false, true, true>
      freeSolo
      disableClearable
      fullWidth
      size="small"
      readOnly={readOnly}
      handleHomeEndKeys={false}
      autoHighlight={eager}
      options={offers}
      filterOptions={(all) => all}
      getOptionLabel={(o) => (typeof o === "string" ? o : o.text.trim())}
      getOptionKey={(o) => (typeof o === "string" ? o : `${o.start} ${o.text}`)}
      open={offers.length > 0}
      value=""
      inputValue={value}
      onInputChange={(event, text, reason) => {
        if (reason !== "input") return;
        marked.current = null;
        onType(text, (event as React.ChangeEvent<HTMLInputElement>).target.selectionStart ?? text.length);
      }}
      onChange={(_, offer, reason) => {
        if (reason === "selectOption" && typeof offer !== "string") onTake(offer);
      }}
      onHighlightChange={(_, offer) => (marked.current = offer)}
      onClose={(_, reason) => {
        marked.current = null;
        if (reason !== "selectOption") onClose();
      }}
      onKeyDown={(event) => {
        if (event.nativeEvent.isComposing) return;
        // The component tells only what the arrows and the mouse mark.
        const chosen = offers.length > 0 ? (marked.current ?? (eager ? offers[0]! : null)) : null;
        if (event.key === "Enter" && chosen) {
          event.preventDefault();
          onTake(chosen);
        } else onKey?.(event, chosen);
        // The component would take the text for an answer.
        if (event.key === "Enter") (event as { defaultMuiPrevented?: boolean }).defaultMuiPrevented = true;
      }}
      slotProps={{
        listbox: {
          "aria-label": say("whatMayFollowIn", { label }),
          sx: { py: 0.5, fontSize: 14, fontStretch: "90%", "& .MuiAutocomplete-option": { minHeight: 26, py: 0 } },
        },
        popper: {
          placement: above ? "top-end" : "bottom-start",
          popperOptions: { strategy: "fixed", modifiers: above ? [{ name: "flip", enabled: false }] : [] },
        },
        paper: { variant: "outlined", sx: { width: "max-content", ml: above ? "auto" : 0 } },
      }}
      renderInput={(params) =>
        renderInput({
          ...params,
          slotProps: {
            ...params.slotProps,
            htmlInput: {
              ...params.slotProps.htmlInput,
              ref: (element: HTMLInputElement | null) => {
                input.current = element;
                const own = (params.slotProps.htmlInput as { ref?: React.Ref<HTMLInputElement> }).ref;
                if (typeof own === "function") own(element);
                else if (own) own.current = element;
              },
            },
          },
        })
      }
    />
  );
}
