import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useForm, useWatch } from "react-hook-form";
import { useLocation, useNavigate } from "react-router";
import { z } from "zod";
import { useMe, useStartAfresh } from "../../shared/account/useMe";
import { api, arrive, ask } from "../../shared/api/client";
import type { JoinLink } from "../../shared/api/types";
import { textQuery } from "../../shared/privacy/textQuery";
import { Words } from "../../shared/privacy/Words";
import { Field } from "../../shared/ui/Field";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { useServerErrors } from "../../shared/ui/useServerErrors";
import { say } from "../../words/people";
import { DoorFrame } from "./DoorFrame";
import { passwordShape } from "./password";
import { NewPasswordField } from "./PasswordField";

const roles: Record<string, string> = {
  owner: say("roleOwner"),
  coach: say("roleCoach"),
  athlete: say("roleAthlete"),
  guardian: say("roleGuardian"),
};

/** Where a link leads: to an account of one's own, or to a new password. What follows the sign # never leaves the browser but in a body. */
export default function JoinPage() {
  const me = useMe();
  const token = useLocation().hash.slice(1);
  const link = useQuery({
    queryKey: ["link", token],
    queryFn: () => ask(api.POST("/api/links/look", { body: { token } })),
    enabled: token !== "" && me.isSuccess,
    retry: false,
    staleTime: Infinity,
  });
  if (token === "")
    return (
      <DoorFrame title={say("linkHasEnded")}>
        <Typography>{say("linkIsMissing")}</Typography>
      </DoorFrame>
    );
  if (link.isError)
    return (
      <DoorFrame title={say("linkHasEnded")}>
        <Failed error={link.error} />
        <Button component="a" href="/" sx={{ alignSelf: "start" }}>
          {say("toTheStart")}
        </Button>
      </DoorFrame>
    );
  if (!link.data) return <Loading />;
  const l = link.data;
  const takes = me.data?.account?.role === "guardian" && l.role === "guardian" && !l.recovers;
  return (
    <DoorFrame title={l.recovers ? say("recoverTitle") : say("joinTitle", { club: l.club })}>
      <Typography sx={{ mb: 5 }}>
        {l.recovers
          ? say("recoverText", { name: l.name })
          : l.athlete
            ? say("joinAsGuardian", { name: l.name, athlete: l.athlete })
            : say("joinAs", { name: l.name, role: roles[l.role] ?? l.role })}
      </Typography>
      {takes ? <Take link={l} token={token} /> : <JoinForm link={l} token={token} />}
    </DoorFrame>
  );
}

/** A guardian who is signed in adds a second child. */
function Take({ link, token }: { link: JoinLink; token: string }) {
  const startAfresh = useStartAfresh();
  const navigate = useNavigate();
  const take = useMutation({
    mutationFn: () => ask(api.POST("/api/links/take", { body: { token } })),
    onSuccess: async () => {
      await navigate("/");
      await startAfresh();
    },
  });
  return (
    <Box>
      <Button variant="contained" color="secondary" onClick={() => take.mutate()} disabled={take.isPending}>
        {say("addChild", { name: link.athlete ?? "" })}
      </Button>
      {take.isError && (
        <Typography color="error" role="alert" sx={{ mt: 2 }}>
          {messageOf(take.error)}
        </Typography>
      )}
    </Box>
  );
}

function WhatIsKept() {
  const text = useQuery(textQuery);
  return (
    <Box component="details">
      <Typography component="summary" variant="body2" sx={{ cursor: "pointer" }}>
        {say("whatIsKept")}
      </Typography>
      {text.data && <Words text={text.data.text} heading="h2" />}
    </Box>
  );
}

const shape = z.object({ name: z.string(), signInName: z.string(), password: passwordShape });

function JoinForm({ link, token }: { link: JoinLink; token: string }) {
  const startAfresh = useStartAfresh();
  const navigate = useNavigate();
  const form = useForm({
    resolver: zodResolver(shape),
    defaultValues: { name: link.name, signInName: link.signInName ?? "", password: "" },
  });
  const join = useMutation({
    mutationFn: (f: z.infer<typeof shape>) => ask(api.POST("/api/links/join", { body: { token, ...f } })),
    onSuccess: async () => {
      arrive();
      await navigate("/", { replace: true });
      await startAfresh();
    },
  });
  const typed = useWatch({ control: form.control, name: "password" });
  useServerErrors(form, join.error);
  const { errors } = form.formState;
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => void form.handleSubmit((f) => join.mutate(f))(e)}
      sx={{ display: "grid", gap: 4 }}
    >
      {!link.recovers && link.role !== "athlete" && (
        <Field label={say("yourName")} autoComplete="name" {...form.register("name")} problem={errors.name?.message} />
      )}
      <Field
        label={say("signInName")}
        autoComplete="username"
        autoFocus={!link.recovers}
        {...form.register("signInName")}
        problem={errors.signInName?.message}
        help={link.recovers ? undefined : say("signInNameHelp")}
        slotProps={{ htmlInput: { readOnly: link.recovers } }}
      />
      <NewPasswordField
        label={say("password")}
        typed={typed}
        autoFocus={link.recovers}
        {...form.register("password")}
        problem={errors.password?.message}
        help={say("passwordHelp")}
      />
      {join.isError && Object.keys(errors).length === 0 && (
        <Typography color="error" role="alert">
          {messageOf(join.error)}
        </Typography>
      )}
      <Button
        type="submit"
        variant="contained"
        color="secondary"
        disabled={join.isPending}
        sx={{ justifySelf: "start" }}
      >
        {say(link.recovers ? "savePassword" : "joinNow")}
      </Button>
      {!link.recovers && <WhatIsKept />}
    </Box>
  );
}
