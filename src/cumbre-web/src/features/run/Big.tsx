import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { SxProps, Theme } from "@mui/material/styles";

/** The one thing to press. */
export function Primary(props: React.ComponentProps<typeof ButtonBase>) {
  return (
    <ButtonBase
      {...props}
      sx={
        [
          {
            minHeight: 84,
            fontFamily: "inherit",
            width: "100%",
            px: 4,
            py: 2,
            borderRadius: "4px",
            bgcolor: "secondary.main",
            color: "secondary.contrastText",
            fontSize: 22,
            lineHeight: "26px",
            fontWeight: 650,
            fontStretch: "112%",
            "&.Mui-disabled": { opacity: 0.45 },
          },
          ...(Array.isArray(props.sx) ? (props.sx as SxProps<Theme>[]) : [props.sx]),
        ] as SxProps<Theme>
      }
    />
  );
}

/** A button for chalked hands. */
export function Large({
  pressed,
  height = 68,
  ...props
}: React.ComponentProps<typeof ButtonBase> & { pressed?: boolean; height?: number }) {
  return (
    <ButtonBase
      {...props}
      {...(pressed === undefined ? {} : { "aria-pressed": pressed })}
      sx={
        [
          {
            minHeight: height,
            fontFamily: "inherit",
            minWidth: 48,
            px: 2,
            borderRadius: "4px",
            border: "2px solid",
            borderColor: pressed ? "primary.main" : "rock",
            bgcolor: pressed ? "primary.main" : "transparent",
            color: pressed ? "primary.contrastText" : "text.primary",
            fontSize: 17,
            lineHeight: "20px",
            fontWeight: 600,
            "&.Mui-disabled": { opacity: 0.45 },
          },
          ...(Array.isArray(props.sx) ? (props.sx as SxProps<Theme>[]) : [props.sx]),
        ] as SxProps<Theme>
      }
    />
  );
}

/** Equal buttons beside each other, of which at most one is pressed. */
export function Choices<V>({
  label,
  choices,
  value,
  onChoose,
  height,
  columns,
}: {
  label: string;
  /** Beneath the text, in small. */
  choices: readonly { value: V; text: string; more?: string }[];
  value: V | null;
  onChoose: (value: V) => void;
  height?: number;
  columns?: number;
}) {
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: "grid", gap: 2, gridTemplateColumns: `repeat(${columns ?? choices.length}, minmax(0, 1fr))` }}
    >
      {choices.map((choice) => (
        <Large
          key={choice.text}
          pressed={choice.value === value}
          onClick={() => onChoose(choice.value)}
          {...(height ? { height } : {})}
        >
          <span>
            {choice.text}
            {choice.more && (
              <Box component="span" sx={{ display: "block", fontSize: 14, fontWeight: 400 }}>
                {choice.more}
              </Box>
            )}
          </span>
        </Large>
      ))}
    </Box>
  );
}
