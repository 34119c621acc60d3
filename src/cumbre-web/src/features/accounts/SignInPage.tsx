import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useMutation } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { useState } from "react";
import { api, arrive, ask, Problem, signInHasEnded } from "../../shared/api/client";
import { messageOf } from "../../shared/ui/states";
import { useServerErrors } from "../../shared/ui/useServerErrors";
import { DoorFrame } from "./DoorFrame";
import { useMe, useStartAfresh } from "../../shared/account/useMe";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/accounts";
import { PasswordField } from "./PasswordField";

const shape = z.object({
  signInName: z.string().trim().min(1, say("writeYourSignInName")),
  password: z.string().min(1, say("writeYourPassword")),
  kept: z.boolean(),
  code: z.string(),
});

export default function SignInPage() {
  const me = useMe().data;
  const startAfresh = useStartAfresh();
  const form = useForm({
    resolver: zodResolver(shape),
    defaultValues: { signInName: "", password: "", kept: false, code: "" },
  });
  const signIn = useMutation({
    mutationFn: (body: z.infer<typeof shape>) =>
      ask(api.POST("/api/sign-in", { body: { ...body, code: body.code || null } })),
    onSuccess: () => {
      arrive();
      return startAfresh();
    },
  });
  const demo = useMutation({
    mutationFn: (as: "coach" | "athlete") => ask(api.POST("/api/demo-sign-in", { body: { as } })),
    onSuccess: () => {
      arrive();
      return startAfresh();
    },
  });
  useServerErrors(form, signIn.error);
  const { errors } = form.formState;
  // Once it was asked for it stays, whatever else is wrong then.
  const [asksCode, setAsksCode] = useState(false);
  if (!asksCode && signIn.error instanceof Problem && signIn.error.fieldMessage("code")) setAsksCode(true);
  return (
    <DoorFrame title={me?.club ?? say("cumbre")}>
      {me?.demo && (
        <Box sx={{ mb: 6 }}>
          <Typography color="textSecondary" sx={{ mb: 3 }}>
            {say("aDemoWithInventedPeopleLookAround")}
          </Typography>
          <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
            <Button
              variant="contained"
              color="secondary"
              onClick={() => demo.mutate("coach")}
              disabled={demo.isPending}
              autoFocus
            >
              {say("enterAsCoach")}
            </Button>
            <Button onClick={() => demo.mutate("athlete")} disabled={demo.isPending}>
              {say("enterAsAthlete")}
            </Button>
          </Box>
          {demo.isError && (
            <Typography color="error" role="alert" sx={{ mt: 2 }}>
              {messageOf(demo.error)}
            </Typography>
          )}
        </Box>
      )}
      {!me?.demo && (
        <Box
          component="form"
          noValidate
          onSubmit={(e) => void form.handleSubmit((f) => signIn.mutate(f))(e)}
          sx={{ display: "grid", gap: 4 }}
        >
          {signInHasEnded() && <Typography role="status">{say("yourSignInHasEnded")}</Typography>}
          <Field
            label={say("signInName")}
            autoComplete="username"
            autoFocus
            {...form.register("signInName")}
            problem={errors.signInName?.message}
          />
          <PasswordField
            label={say("password")}
            autoComplete="current-password"
            {...form.register("password")}
            problem={errors.password?.message}
          />
          {asksCode && (
            <Field
              label={say("code")}
              autoComplete="one-time-code"
              autoFocus
              {...form.register("code")}
              problem={errors.code?.message}
              help={say("codeHelp")}
              slotProps={{ htmlInput: { autoCapitalize: "characters", spellCheck: false } }}
            />
          )}
          <Box>
            <FormControlLabel control={<Checkbox {...form.register("kept")} />} label={say("staySignedIn")} />
            <Typography variant="body2" color="textSecondary">
              {say("onlyOnYourOwnDevice")}
            </Typography>
          </Box>
          {signIn.isError && Object.keys(errors).length === 0 && (
            <Typography color="error" role="alert">
              {messageOf(signIn.error)}
            </Typography>
          )}
          <Button
            type="submit"
            variant="contained"
            color="secondary"
            disabled={signIn.isPending}
            sx={{ justifySelf: "start" }}
          >
            {say("signIn")}
          </Button>
        </Box>
      )}
    </DoorFrame>
  );
}
