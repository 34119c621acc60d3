import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useMutation } from "@tanstack/react-query";
import { useForm, useWatch } from "react-hook-form";
import { z } from "zod";
import { api, ask } from "../../shared/api/client";
import { messageOf } from "../../shared/ui/states";
import { useServerErrors } from "../../shared/ui/useServerErrors";
import { DoorFrame } from "./DoorFrame";
import { useStartAfresh } from "../../shared/account/useMe";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/accounts";
import { passwordShape } from "./password";
import { NewPasswordField } from "./PasswordField";

const shape = z.object({
  clubName: z.string().trim().min(1, say("writeTheClubsName")),
  name: z.string().trim().min(1, say("writeYourName")),
  signInName: z.string().trim().min(1, say("writeASignInName")),
  password: passwordShape,
  timeZone: z.string().trim().min(1, say("writeATimeZoneLikeEuropeMadrid")),
  setupCode: z.string().trim().min(1, say("writeTheSetupCode")),
});

type Fields = z.infer<typeof shape>;

const fields: { name: keyof Fields; label: string; complete?: string; hint?: string }[] = [
  { name: "setupCode", label: say("setupCode"), hint: say("theSetupCodeIsPrinted") },
  { name: "clubName", label: say("club") },
  { name: "name", label: say("yourName"), complete: "name" },
  { name: "signInName", label: say("signInName"), complete: "username", hint: say("anEMailAddressOrAnyWord") },
  { name: "password", label: say("password") },
  { name: "timeZone", label: say("timeZone"), hint: say("trainingDaysAreDatesThere") },
];

/** The first start of a club: the owner's account. */
export default function OwnerPage() {
  const startAfresh = useStartAfresh();
  const form = useForm<Fields>({
    resolver: zodResolver(shape),
    defaultValues: {
      setupCode: "",
      clubName: "",
      name: "",
      signInName: "",
      password: "",
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
  });
  const create = useMutation({
    mutationFn: (body: Fields) => ask(api.POST("/api/owner", { body })),
    onSuccess: startAfresh,
  });
  const typed = useWatch({ control: form.control, name: "password" });
  useServerErrors(form, create.error);
  const { errors } = form.formState;
  return (
    <DoorFrame title={say("firstStart")}>
      <Typography color="textSecondary" sx={{ mb: 5 }}>
        {say("thisClubHasNoOwnerYetThe")}
      </Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => void form.handleSubmit((f) => create.mutate(f))(e)}
        sx={{ display: "grid", gap: 4 }}
      >
        {fields.map((f, i) =>
          f.name === "password" ? (
            <NewPasswordField
              key={f.name}
              label={f.label}
              typed={typed}
              {...form.register(f.name)}
              problem={errors.password?.message}
            />
          ) : (
            <Field
              key={f.name}
              label={f.label}
              autoComplete={f.complete ?? "off"}
              autoFocus={i === 0}
              {...form.register(f.name)}
              problem={errors[f.name]?.message}
              help={f.hint}
            />
          ),
        )}
        {create.isError && Object.keys(errors).length === 0 && (
          <Typography color="error" role="alert">
            {messageOf(create.error)}
          </Typography>
        )}
        <Button
          type="submit"
          variant="contained"
          color="secondary"
          disabled={create.isPending}
          sx={{ justifySelf: "start" }}
        >
          {say("createTheClub")}
        </Button>
      </Box>
    </DoorFrame>
  );
}
