import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useId } from "react";

interface Props {
  label: string;
  /** What 0 and 10 mean. */
  low: string;
  high: string;
  value: number | null;
  onChange: (value: number | null) => void;
}

/** A figure from 0 to 10 with one tap; another tap on it takes it back. */
export function Scale({ label, low, high, value, onChange }: Props) {
  const id = useId();
  return (
    <Box>
      <Typography variant="caption" component="p" id={id}>
        {label}: 0 {low}, 10 {high}
      </Typography>
      <ToggleButtonGroup
        exclusive
        value={value}
        onChange={(_, v: number | null) => onChange(v)}
        aria-labelledby={id}
        sx={{ flexWrap: "wrap" }}
      >
        {Array.from({ length: 11 }, (_, i) => (
          <ToggleButton key={i} value={i} sx={{ minWidth: 32, minHeight: 40, px: 1 }}>
            {i}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}
