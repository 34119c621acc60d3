import TextField from "@mui/material/TextField";
import { say } from "../../words/decisions";

interface Props {
  /** Why it is asked, in the server's words. */
  asked: string;
  value: string;
  onChange: (reason: string) => void;
  onEnter: () => void;
}

/** The coach's own reason for a decision that meets a caution, asked where the decision stands. */
export function OwnReason({ asked, value, onChange, onEnter }: Props) {
  return (
    <TextField
      label={say("yourReason")}
      value={value}
      autoFocus
      onChange={(e) => onChange(e.target.value)}
      onKeyDown={(e) => e.key === "Enter" && value.trim() && onEnter()}
      helperText={asked}
      error={!value.trim()}
      sx={{ mt: 2, maxWidth: 520, display: "block" }}
      slotProps={{ htmlInput: { maxLength: 400 } }}
      fullWidth
    />
  );
}
