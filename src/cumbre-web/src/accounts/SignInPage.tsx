import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useMutation } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { api, ask } from "../api/client";
import { messageOf } from "../ui/states";
import { useServerErrors } from "../ui/useServerErrors";
import { DoorFrame } from "./DoorFrame";
import { useMe, useStartAfresh } from "./useMe";

const shape = z.object({
  signInName: z.string().trim().min(1, "Write your sign-in name."),
  password: z.string().min(1, "Write your password."),
});

export default function SignInPage() {
  const me = useMe().data;
  const startAfresh = useStartAfresh();
  const form = useForm({ resolver: zodResolver(shape), defaultValues: { signInName: "", password: "" } });
  const signIn = useMutation({
    mutationFn: (body: z.infer<typeof shape>) => ask(api.POST("/api/sign-in", { body })),
    onSuccess: startAfresh,
  });
  const demo = useMutation({
    mutationFn: (as: "coach" | "athlete") => ask(api.POST("/api/demo-sign-in", { body: { as } })),
    onSuccess: startAfresh,
  });
  useServerErrors(form, signIn.error);
  const { errors } = form.formState;
  return (
    <DoorFrame title={me?.club ?? "Cumbre"}>
      {me?.demo && (
        <Box sx={{ mb: 6 }}>
          <Typography color="textSecondary" sx={{ mb: 3 }}>
            A demo with invented people. Look around as the coach, or as one of the athletes.
          </Typography>
          <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
            <Button
              variant="contained"
              color="secondary"
              onClick={() => demo.mutate("coach")}
              disabled={demo.isPending}
              autoFocus
            >
              Enter as coach
            </Button>
            <Button onClick={() => demo.mutate("athlete")} disabled={demo.isPending}>
              Enter as athlete
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
          <TextField
            label="Sign-in name"
            autoComplete="username"
            autoFocus
            {...form.register("signInName")}
            error={Boolean(errors.signInName)}
            helperText={errors.signInName?.message}
          />
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            {...form.register("password")}
            error={Boolean(errors.password)}
            helperText={errors.password?.message}
          />
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
            Sign in
          </Button>
        </Box>
      )}
    </DoorFrame>
  );
}
