import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { useRef } from "react";
import type { KeyId } from "../keys/keymap";
import { useKey } from "../keys/useKey";
import type { SxProps, Theme } from "@mui/material/styles";

type Pressed = React.ComponentProps<typeof ButtonBase>;

/** A button that a key presses too, unless something stands over it. */
function Keyed({ keyed, ...props }: Pressed & { keyed: KeyId }) {
  const button = useRef<HTMLButtonElement>(null);
  useKey(
    keyed,
    () => {
      if (!button.current?.closest("[aria-hidden=true]")) button.current?.click();
    },
    { enabled: !props.disabled },
  );
  return <ButtonBase ref={button} {...props} />;
}

const Button = ({ keyed, ...props }: Pressed & { keyed?: KeyId | null | undefined }) =>
  keyed ? <Keyed keyed={keyed} {...props} /> : <ButtonBase {...props} />;

/** The one thing to press. */
export function Primary({ keyed = "go", ...props }: Pressed & { keyed?: KeyId | null }) {
  return (
    <Button
      keyed={keyed}
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
}: Pressed & { pressed?: boolean; height?: number; keyed?: KeyId }) {
  return (
    <Button
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
