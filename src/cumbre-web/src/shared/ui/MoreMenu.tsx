import IconButton from "@mui/material/IconButton";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import { capsOf, keymap, type KeyId } from "../keys/keymap";
import { KeyCap } from "./KeyCap";

export interface Verb {
  label: string;
  onChoose: () => void;
  /** The key that does the same in the row. */
  keyId?: KeyId;
  disabled?: boolean;
}

/** What can be done with a row beyond what stands in it. */
export function MoreMenu({ label, verbs }: { label: string; verbs: Verb[] }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  return (
    <>
      <IconButton
        size="small"
        aria-label={label}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        onClick={(e) => setAt(e.currentTarget)}
        sx={{ borderRadius: "2px", fontSize: 16, width: 26, height: 26 }}
      >
        ⋯
      </IconButton>
      {at && (
        <Menu open anchorEl={at} onClose={() => setAt(null)}>
          {verbs.map((verb) => (
            <MenuItem
              key={verb.label}
              disabled={verb.disabled}
              onClick={() => {
                setAt(null);
                verb.onChoose();
              }}
              sx={{ display: "flex", justifyContent: "space-between", gap: 6, fontSize: 14, minHeight: 32 }}
            >
              {verb.label} {verb.keyId && <KeyCap>{capsOf(keymap[verb.keyId]).join(" ")}</KeyCap>}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  );
}
