import Box from "@mui/material/Box";
import InputAdornment from "@mui/material/InputAdornment";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { Field } from "../../shared/ui/Field";
import { QuietButton } from "../../shared/ui/QuietButton";
import { say } from "../../words/accounts";

type Props = React.ComponentProps<typeof Field>;

/** A password, hidden unless somebody wants to see what they type. */
export function PasswordField({ slotProps, ...field }: Props) {
  const [shown, setShown] = useState(false);
  return (
    <Field
      {...field}
      type={shown ? "text" : "password"}
      slotProps={{
        ...slotProps,
        htmlInput: { spellCheck: false, autoCapitalize: "none" },
        input: {
          endAdornment: (
            <InputAdornment position="end">
              <QuietButton aria-pressed={shown} onClick={() => setShown(!shown)}>
                {say(shown ? "hide" : "show")}
              </QuietButton>
            </InputAdornment>
          ),
        },
      }}
    />
  );
}

const strengths = [say("veryWeak"), say("weak"), say("fair"), say("strong"), say("veryStrong")];

const strongest = 4;

/** A new password, with how hard it is to guess; what that takes is loaded when somebody begins to type. */
export function NewPasswordField({ typed, ...field }: Props & { typed: string }) {
  return (
    <Box>
      <PasswordField fullWidth autoComplete="new-password" {...field} />
      {typed !== "" && <Strength password={typed} />}
    </Box>
  );
}

function Strength({ password }: { password: string }) {
  const [score, setScore] = useState<number | null>(null);
  useEffect(() => {
    let isLast = true;
    void import("./strength").then(({ strengthOf }) => isLast && setScore(strengthOf(password)));
    return () => {
      isLast = false;
    };
  }, [password]);
  if (score === null) return null;
  return (
    <Box sx={{ mt: 1 }}>
      <LinearProgress
        variant="determinate"
        value={((score + 1) / (strongest + 1)) * 100}
        color={score < strongest - 1 ? "error" : "primary"}
        aria-label={say("strength")}
        aria-valuetext={strengths[score]}
      />
      <Typography variant="body2" color="textSecondary">
        {strengths[score]}
      </Typography>
    </Box>
  );
}
